import type { Migration } from '../migration.ts'

export const firstSlice: Migration = {
  name: '2026-11-25-first-slice',
  up: `
    CREATE TABLE clients (
      id uuid PRIMARY KEY,
      name text NOT NULL
    );
    CREATE TABLE palettes (
      id uuid PRIMARY KEY,
      client_id uuid NOT NULL UNIQUE REFERENCES clients
    );
    CREATE TABLE palette_versions (
      palette_id uuid NOT NULL REFERENCES palettes,
      version integer NOT NULL CHECK (version >= 1),
      PRIMARY KEY (palette_id, version)
    );
    CREATE TABLE roles (
      palette_id uuid NOT NULL,
      version integer NOT NULL,
      id text NOT NULL,
      position integer NOT NULL CHECK (position >= 0),
      name text NOT NULL CHECK (name <> ''),
      color text NOT NULL CHECK (color <> ''),
      PRIMARY KEY (palette_id, version, id),
      UNIQUE (palette_id, version, position),
      FOREIGN KEY (palette_id, version) REFERENCES palette_versions
    );
    CREATE TABLE sites (
      id uuid PRIMARY KEY,
      client_id uuid NOT NULL REFERENCES clients,
      name text NOT NULL CHECK (name <> ''),
      created_at timestamptz NOT NULL
    );
    CREATE UNIQUE INDEX sites_name ON sites (lower(name));
    CREATE TABLE snapshots (
      id uuid PRIMARY KEY,
      site_id uuid NOT NULL REFERENCES sites,
      received_at timestamptz NOT NULL
    );
    CREATE INDEX snapshots_site ON snapshots (site_id, received_at);
    CREATE TABLE blobs (
      sha256 text PRIMARY KEY CHECK (sha256 ~ '^[0-9a-f]{64}$'),
      bytes bytea NOT NULL
    );
    CREATE TABLE files (
      id uuid PRIMARY KEY,
      snapshot_id uuid NOT NULL REFERENCES snapshots,
      path text NOT NULL,
      size bigint NOT NULL CHECK (size >= 0),
      sha256 text REFERENCES blobs,
      syntax text NOT NULL,
      encoding text,
      skipped text,
      UNIQUE (snapshot_id, path),
      CHECK ((sha256 IS NULL) = (skipped IS NOT NULL AND skipped = 'too-large')),
      CHECK ((encoding IS NULL) = (skipped IS NOT NULL))
    );
    CREATE TABLE audits (
      snapshot_id uuid PRIMARY KEY REFERENCES snapshots,
      tallies jsonb NOT NULL
    );
    CREATE TABLE readings (
      file_id uuid PRIMARY KEY REFERENCES files,
      snapshot_id uuid NOT NULL REFERENCES audits,
      body jsonb NOT NULL
    );
    CREATE INDEX readings_snapshot ON readings (snapshot_id);
    CREATE TABLE plans (
      id uuid PRIMARY KEY,
      snapshot_id uuid NOT NULL UNIQUE REFERENCES snapshots,
      palette_id uuid NOT NULL REFERENCES palettes,
      start_tolerance double precision NOT NULL,
      start_palette_version integer NOT NULL,
      FOREIGN KEY (palette_id, start_palette_version) REFERENCES palette_versions
    );
    CREATE TABLE plan_events (
      plan_id uuid NOT NULL REFERENCES plans,
      seq integer NOT NULL CHECK (seq >= 1),
      id uuid NOT NULL,
      at timestamptz NOT NULL,
      event jsonb NOT NULL,
      PRIMARY KEY (plan_id, seq),
      UNIQUE (plan_id, id)
    );
    CREATE TABLE visitor_names (
      token text PRIMARY KEY,
      snapshot_id uuid NOT NULL REFERENCES snapshots,
      plan_id uuid REFERENCES plans
    );
    CREATE UNIQUE INDEX visitor_names_of ON visitor_names (snapshot_id, plan_id) NULLS NOT DISTINCT;
    CREATE TABLE loaded_demos (
      name text PRIMARY KEY
    );

    CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN RAISE EXCEPTION '% never changes', TG_TABLE_NAME; END
    $$;
    CREATE TRIGGER plan_events_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON plan_events
      FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER blobs_immutable BEFORE UPDATE ON blobs
      FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
  `,
}
