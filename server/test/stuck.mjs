/** What no task of ours is: one that does not end, and one that takes all memory. */
export function forever() {
  for (;;);
}

export function grow() {
  let held = null
  for (;;) held = { held }
}

export function echo(value) {
  return value
}
