import type { Migration } from '../migration.ts'

/** Of how many pages a job has looked for the words, behind its files. */
export const pagesOfJobs: Migration = {
  name: '2026-12-01-pages-of-jobs',
  up: 'ALTER TABLE jobs ADD COLUMN pages_done integer NOT NULL DEFAULT 0, ADD COLUMN pages_total integer',
}
