import type { Migration } from '../migration.ts'

/** What older readers did not read waits for the next audit, which reads every text. */
export const everyTextRead: Migration = {
  name: '2026-11-25-every-text-read',
  up: `UPDATE files SET skipped = 'no-colors-here' WHERE skipped = 'not-read-yet';`,
}
