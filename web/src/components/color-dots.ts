/** Small swatches for the margin of a source, which is drawn outside the component tree. */
export function colorDots(
  colors: readonly { readonly paint: string; readonly title: string }[],
  size = 12,
): HTMLElement {
  const box = document.createElement('span')
  box.style.cssText = 'display:inline-flex;gap:2px;align-items:center;height:22px'
  for (const { paint, title } of colors) {
    const dot = document.createElement('span')
    dot.title = title
    dot.style.cssText = `width:${size}px;height:${size}px;border-radius:1px;flex:none;box-shadow:inset 0 0 0 1px rgb(128 128 128/.45)`
    dot.style.background = paint
    box.append(dot)
  }
  return box
}
