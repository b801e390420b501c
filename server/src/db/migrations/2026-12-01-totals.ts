import type { Migration } from '../migration.ts'

/** What the list of sites tells of a copy, as it is told; and how far its plan was when that was counted last. */
export const totals: Migration = {
  name: '2026-12-01-totals',
  up: `
    ALTER TABLE audits ADD COLUMN places integer, ADD COLUMN possible integer, ADD COLUMN lead jsonb;
    UPDATE audits SET
      places = (SELECT coalesce(sum((each->>'count')::integer), 0) FROM jsonb_array_elements(tallies) AS each),
      possible = (SELECT coalesce(sum((each->>'possible')::integer), 0) FROM jsonb_array_elements(tallies) AS each),
      lead = (SELECT coalesce(jsonb_agg(color ORDER BY number DESC, color), '[]') FROM (
        SELECT each->>'color' AS color, sum((each->>'count')::integer) AS number FROM jsonb_array_elements(tallies) AS each
        GROUP BY 1 ORDER BY 2 DESC, 1 LIMIT 8) AS most);
    ALTER TABLE audits DROP COLUMN tallies, ALTER COLUMN places SET NOT NULL, ALTER COLUMN possible SET NOT NULL,
      ALTER COLUMN lead SET NOT NULL;
    ALTER TABLE plans ADD COLUMN standing jsonb;
  `,
}
