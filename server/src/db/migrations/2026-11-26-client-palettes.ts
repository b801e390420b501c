import type { Migration } from '../migration.ts'

/** A palette serves all sites of a client: clients are told apart by their names, versions by when they were made. Roles get a value for other schemes, and words. */
export const clientPalettes: Migration = {
  name: '2026-11-26-client-palettes',
  up: `
    UPDATE clients SET name = name || ' ' || left(id::text, 8) WHERE id IN (
      SELECT id FROM (SELECT id, row_number() OVER (PARTITION BY lower(name) ORDER BY id) AS nth FROM clients) AS named
      WHERE nth > 1
    );
    CREATE UNIQUE INDEX clients_name ON clients (lower(name));
    ALTER TABLE palette_versions ADD COLUMN created_at timestamptz NOT NULL DEFAULT now();
    UPDATE palette_versions AS made SET created_at = first.at FROM (
      SELECT plans.palette_id, (event->>'version')::integer AS version, min(plan_events.at) AS at
      FROM plan_events JOIN plans ON plans.id = plan_id WHERE event->>'kind' = 'palette' GROUP BY 1, 2
    ) AS first WHERE made.palette_id = first.palette_id AND made.version = first.version;
    ALTER TABLE palette_versions ALTER COLUMN created_at DROP DEFAULT;
    ALTER TABLE roles ADD COLUMN dark text CHECK (dark <> ''), ADD COLUMN print text CHECK (print <> ''),
      ADD COLUMN description text CHECK (description <> '');
    CREATE INDEX sites_client ON sites (client_id);
    CREATE INDEX plans_palette ON plans (palette_id);
  `,
}
