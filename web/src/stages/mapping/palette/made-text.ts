import type { Made, Role } from '@undo-ink/core'

/** In words, how a role is made. */
export function madeText({ from, lighter, stronger, turned }: Made, roles: readonly Role[]): string {
  const base = roles.find(({ id }) => id === from)?.name
  const how = [
    lighter === 0 ? null : lighter > 0 ? 'lighter' : 'darker',
    stronger === 1 ? null : stronger > 1 ? 'stronger' : 'softer',
    turned === 0 ? null : `turned ${turned}°`,
  ].filter((each) => each !== null)
  return base === undefined ? 'made from a role that is gone' : `${base}${how.length > 0 ? `, ${how.join(', ')}` : ''}`
}
