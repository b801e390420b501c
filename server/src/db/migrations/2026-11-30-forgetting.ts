import type { Migration } from '../migration.ts'

/**
 * Sites and clients that are deleted stay for 30 days, in which they can be brought back. Then `forget_deleted` lets their rows go, histories too, and the bytes that
 * no other copy holds: it is the one way past the triggers, and it refuses whatever is not as old as that.
 */
export const forgetting: Migration = {
  name: '2026-11-30-forgetting',
  up: `
    ALTER TABLE sites ADD COLUMN deleted_at timestamptz;
    ALTER TABLE clients ADD COLUMN deleted_at timestamptz;
    DROP INDEX sites_name;
    CREATE UNIQUE INDEX sites_name ON sites (lower(name)) WHERE deleted_at IS NULL;
    DROP INDEX clients_name;
    CREATE UNIQUE INDEX clients_name ON clients (lower(name)) WHERE deleted_at IS NULL;
    CREATE INDEX files_sha256 ON files (sha256);

    CREATE OR REPLACE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        IF TG_OP = 'DELETE' AND current_setting('undo_ink.forgetting', true) = 'yes' THEN RETURN NULL; END IF;
        RAISE EXCEPTION '% never changes', TG_TABLE_NAME;
      END
    $$;

    CREATE FUNCTION forget_deleted(before timestamptz) RETURNS integer LANGUAGE plpgsql AS $$
      DECLARE
        gone uuid[];
        copies uuid[];
        works uuid[];
        held text[];
      BEGIN
        IF before > now() - interval '30 days' THEN RAISE EXCEPTION 'what is deleted stays for 30 days'; END IF;
        SELECT coalesce(array_agg(id), '{}') INTO gone FROM sites WHERE deleted_at < before;
        SELECT coalesce(array_agg(id), '{}') INTO copies FROM snapshots WHERE site_id = ANY(gone);
        SELECT coalesce(array_agg(id), '{}') INTO works FROM jobs WHERE site_id = ANY(gone);
        SELECT coalesce(array_agg(DISTINCT sha256), '{}') INTO held FROM files WHERE snapshot_id = ANY(copies) AND sha256 IS NOT NULL;
        PERFORM set_config('undo_ink.forgetting', 'yes', true);
        DELETE FROM visitor_names WHERE snapshot_id = ANY(copies);
        DELETE FROM plan_events WHERE plan_id IN (SELECT id FROM plans WHERE snapshot_id = ANY(copies));
        DELETE FROM plans WHERE snapshot_id = ANY(copies);
        DELETE FROM audits WHERE snapshot_id = ANY(copies);
        DELETE FROM files WHERE snapshot_id = ANY(copies);
        DELETE FROM snapshots WHERE id = ANY(copies);
        DELETE FROM upload_files WHERE job_id = ANY(works);
        DELETE FROM job_files WHERE job_id = ANY(works);
        DELETE FROM jobs WHERE id = ANY(works);
        DELETE FROM views WHERE site_id = ANY(gone);
        DELETE FROM sites WHERE id = ANY(gone);
        DELETE FROM blobs WHERE sha256 = ANY(held) AND NOT EXISTS (SELECT FROM files WHERE files.sha256 = blobs.sha256);
        WITH left_over AS (
          SELECT palettes.id AS palette, clients.id AS client FROM clients JOIN palettes ON client_id = clients.id
          WHERE deleted_at < before AND NOT EXISTS (SELECT FROM sites WHERE sites.client_id = clients.id)
        ), of_roles AS (
          DELETE FROM roles WHERE palette_id IN (SELECT palette FROM left_over)
        )
        SELECT coalesce(array_agg(client), '{}') INTO works FROM left_over;
        DELETE FROM palette_versions WHERE palette_id IN (SELECT id FROM palettes WHERE client_id = ANY(works));
        DELETE FROM palettes WHERE client_id = ANY(works);
        DELETE FROM clients WHERE id = ANY(works);
        PERFORM set_config('undo_ink.forgetting', '', true);
        RETURN cardinality(gone);
      END
    $$;
  `,
}
