import { colorsNamed } from 'culori'

/** The 148 color names of CSS Color 4 §6.1, lower case, each with its 0xRRGGBB. */
export const COLOR_NAMES: ReadonlyMap<string, number> = new Map(Object.entries(colorsNamed))

/** Names by value; of two names for one color (gray, grey) the first in the alphabet. */
export const NAME_OF_VALUE: ReadonlyMap<number, string> = new Map(
  [...COLOR_NAMES].toSorted(([a], [b]) => (a < b ? 1 : -1)).map(([name, value]) => [value, name]),
)

/** `transparent`, `currentColor` and the system colors of CSS Color 4 §6.2 with the deprecated ones of its appendix A, lower case. */
export const COLOR_KEYWORDS: ReadonlySet<string> = new Set(
  `transparent currentcolor
  accentcolor accentcolortext activetext buttonborder buttonface buttontext canvas canvastext field fieldtext graytext
  highlight highlighttext linktext mark marktext selecteditem selecteditemtext visitedtext
  activeborder activecaption appworkspace background buttonhighlight buttonshadow captiontext inactiveborder
  inactivecaption inactivecaptiontext infobackground infotext menu menutext scrollbar threeddarkshadow threedface
  threedhighlight threedlightshadow threedshadow window windowframe windowtext`
    .trim()
    .split(/\s+/),
)
