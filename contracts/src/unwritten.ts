import type { Unwritable, WhyUnwritten } from '@undo-ink/core'

/** Why a rule cannot be written for a part of what a place paints, in words. */
export const UNWRITABLE_WORDS: Readonly<Record<Unwritable, string>> = {
  'no-rule': 'no rule: an attribute, a script or a setting holds for all or none',
  keyframes: 'a step of an animation, which has no selector',
  variable: 'a variable: what takes it decides where it shows',
  language: 'a sheet without braces, in which no rule is added',
  'page-alike': 'nothing on its root tells this page from others',
}

/** Why something that was decided is not written, or not as it was decided, in words. */
export const UNWRITTEN_WORDS: Readonly<Record<WhyUnwritten, string>> = {
  ...UNWRITABLE_WORDS,
  possible: 'only possibly a colour, and not confirmed',
  'role-gone': 'the role that was decided is not in the palette',
  'lead-open': 'what it follows is open',
  'cannot-inherit': 'it cannot take the colour of its parent',
  'cannot-gradient': 'no gradient can be declared there',
  'cannot-alpha': 'what stands there cannot be made that see-through',
  block: 'no rule holds its whole declaration',
  selector: 'the selectors of its rule are not written as they are read',
  template: 'tags of a template stand between the declarations of its rule',
  gradient: 'a gradient becomes a solid, or a solid a gradient, for all of a value and a rule only',
  'pseudo-element': 'nothing can be nested in the rule of a pseudo-element',
  'other-text': 'something else stands there than was decided about',
  'open-end': 'the sheet ends within a comment, a string or a block, and a rule behind it would be a part of that',
}
