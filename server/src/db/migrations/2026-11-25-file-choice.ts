import type { Migration } from '../migration.ts'

export const fileChoice: Migration = {
  name: '2026-11-25-file-choice',
  up: `
    ALTER TABLE files ADD COLUMN third_party text;
    ALTER TABLE files ADD COLUMN choice text CHECK (choice IN ('take-in', 'set-aside'));
  `,
}
