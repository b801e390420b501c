/** Hands a file over to whoever sits before the screen. */
export function saveFile(name: string, file: Blob): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(file)
  link.download = name
  link.click()
  URL.revokeObjectURL(link.href)
}
