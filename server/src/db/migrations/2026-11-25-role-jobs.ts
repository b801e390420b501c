import type { Migration } from '../migration.ts'

/** What a role is for, and the grounds that it stands on; null: what its name says, every one. */
export const roleJobs: Migration = {
  name: '2026-11-25-role-jobs',
  up: `
    ALTER TABLE roles ADD COLUMN serves text CHECK (serves IN ('text', 'ground', 'line'));
    ALTER TABLE roles ADD COLUMN on_roles jsonb;
  `,
}
