import type { EventProblemCode } from '@undo-ink/core'

/** Why an event cannot be added to a plan, in words. */
export const EVENT_PROBLEM_WORDS: Readonly<Record<EventProblemCode, string>> = {
  'nothing-to-undo': 'There is nothing to undo',
  'nothing-to-redo': 'There is nothing to redo',
  'decision-exists': 'This decision was made already',
  'decision-unknown': 'This decision was taken back already',
  'corrected-already': 'This slip was put right already',
  'not-yet': 'The plan has not come as far as that',
  'role-unknown': 'The palette has no such role',
  'color-unreadable': 'This is no opaque color',
  'palette-version-unknown': 'The palette has no such version',
  'file-unknown': 'The copy has no such file',
  'takes-no-rules': 'No rule can be added to a file of that kind',
  'other-text': 'The copy says something else there',
  'no-remedy': 'Only a color or a property puts a slip right',
  'on-a-place': 'A color stands there, which is decided in its place',
}
