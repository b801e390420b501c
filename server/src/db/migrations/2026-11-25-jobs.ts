import type { Migration } from '../migration.ts'

/** What the queue runs, what it is given, what it has done; readings by their bytes, audits in columns. Audits are made anew. */
export const jobs: Migration = {
  name: '2026-11-25-jobs',
  up: `
    CREATE TABLE jobs (
      id uuid PRIMARY KEY,
      kind text NOT NULL CHECK (kind IN ('intake', 'audit')),
      site_id uuid NOT NULL REFERENCES sites,
      payload jsonb NOT NULL,
      state text NOT NULL CHECK (state IN ('waiting', 'running', 'done', 'failed', 'cancelled')),
      files_done integer NOT NULL DEFAULT 0,
      files_total integer,
      places integer NOT NULL DEFAULT 0,
      problem jsonb,
      created_at timestamptz NOT NULL,
      CHECK ((problem IS NOT NULL) = (state = 'failed'))
    );
    CREATE INDEX jobs_site ON jobs (site_id, created_at);
    CREATE UNIQUE INDEX jobs_one_at_a_time ON jobs (site_id) WHERE state IN ('waiting', 'running');
    CREATE TABLE job_files (
      job_id uuid NOT NULL REFERENCES jobs,
      seq integer GENERATED ALWAYS AS IDENTITY,
      path text NOT NULL,
      places integer,
      PRIMARY KEY (job_id, seq),
      UNIQUE (job_id, path)
    );
    CREATE TABLE upload_files (
      job_id uuid NOT NULL REFERENCES jobs,
      position integer NOT NULL,
      name text NOT NULL,
      size bigint NOT NULL,
      PRIMARY KEY (job_id, position)
    );
    CREATE TABLE upload_chunks (
      job_id uuid NOT NULL,
      position integer NOT NULL,
      seq integer NOT NULL,
      bytes bytea NOT NULL,
      PRIMARY KEY (job_id, position, seq),
      FOREIGN KEY (job_id, position) REFERENCES upload_files ON DELETE CASCADE
    );

    ALTER TABLE snapshots ADD COLUMN digest text;
    UPDATE snapshots SET digest = encode(sha256(convert_to((
      SELECT coalesce(string_agg(path || E'\\n' || coalesce(sha256, size::text), E'\\n' ORDER BY path COLLATE "C"), '')
      FROM files WHERE snapshot_id = snapshots.id), 'UTF8')), 'hex');
    ALTER TABLE snapshots ALTER COLUMN digest SET NOT NULL;
    CREATE INDEX snapshots_digest ON snapshots (digest);

    DROP TABLE readings;
    DELETE FROM audits;
    ALTER TABLE audits ADD COLUMN ledger bytea NOT NULL, ADD COLUMN apart bytea NOT NULL;
    CREATE TABLE readings (
      sha256 text NOT NULL REFERENCES blobs ON DELETE CASCADE,
      path text NOT NULL,
      choice text NOT NULL,
      reading_version integer NOT NULL,
      about jsonb NOT NULL,
      places integer NOT NULL CHECK (places >= 0),
      body bytea,
      PRIMARY KEY (sha256, path, choice)
    );
    CREATE TABLE occurrences (
      file_id uuid PRIMARY KEY REFERENCES files,
      snapshot_id uuid NOT NULL REFERENCES audits ON DELETE CASCADE,
      places integer NOT NULL CHECK (places > 0),
      body bytea NOT NULL
    );
    CREATE INDEX occurrences_snapshot ON occurrences (snapshot_id);
  `,
}
