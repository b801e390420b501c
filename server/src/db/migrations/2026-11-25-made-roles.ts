import type { Migration } from '../migration.ts'

/** From which other role a color is made, and how; null: it is one of its own. */
export const madeRoles: Migration = {
  name: '2026-11-25-made-roles',
  up: 'ALTER TABLE roles ADD COLUMN made jsonb;',
}
