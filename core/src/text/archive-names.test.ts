import { describe, expect, it } from 'vitest'
import { decodeName, likelyNameEncoding, type NameEncoding } from './archive-names.ts'
import { encodeLegacy } from './charset.ts'

const bytesOf = (...bytes: number[]) => Uint8Array.from(bytes)

describe('names of archives that say no encoding', () => {
  it.each([
    // Bytes by hand from the code pages, as their tables at unicode.org have them, from memory.
    ['cp437', 'größe.css', bytesOf(0x67, 0x72, 0x94, 0xe1, 0x65, 0x2e, 0x63, 0x73, 0x73)],
    ['shift_jis', 'ソ表.css', bytesOf(0x83, 0x5c, 0x95, 0x5c, 0x2e, 0x63, 0x73, 0x73)],
    ['windows-1252', 'größe.css', bytesOf(0x67, 0x72, 0xf6, 0xdf, 0x65, 0x2e, 0x63, 0x73, 0x73)],
    ['utf-8', 'größe.css', new TextEncoder().encode('größe.css')],
  ] as const)('are read as %s: %s', (encoding, name, bytes) => {
    expect(decodeName(bytes, encoding)).toBe(name)
    expect(likelyNameEncoding([bytes])).toBe(encoding)
  })

  const typical: readonly (readonly [NameEncoding & Parameters<typeof encodeLegacy>[0], readonly string[]])[] = [
    ['shift_jis', ['画像/表紙.png', 'スタイル/色見本.css', 'ソース/トップページ.html']],
    ['gbk', ['图片/封面.png', '样式/颜色.css', '主页.html']],
    ['big5', ['圖片/封面.png', '樣式/顏色.css', '首頁.html']],
    ['euc-kr', ['그림/표지.png', '양식/색상.css', '첫페이지.html']],
    ['windows-1251', ['картинки/обложка.png', 'стили/цвета.css', 'главная.html']],
    ['ibm866', ['картинки/обложка.png', 'стили/цвета.css', 'главная.html']],
  ]
  it.each(typical)('are told apart by what makes sense: %s', (encoding, names) => {
    expect(likelyNameEncoding(names.map((name) => encodeLegacy(encoding, name)))).toBe(encoding)
  })
})
