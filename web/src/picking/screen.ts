/** The browser's own picker of colors on the screen, which only some have. */
interface EyeDropperWindow {
  readonly EyeDropper?: new () => { open(): Promise<{ sRGBHex: string }> }
}

/** Lets a point of the screen be picked; null: this browser cannot. The answer is null where it was given up. */
export function screenPicker(): (() => Promise<string | null>) | null {
  const { EyeDropper } = window as EyeDropperWindow
  if (!EyeDropper) return null
  return async () => {
    try {
      return (await new EyeDropper().open()).sRGBHex
    } catch {
      return null
    }
  }
}
