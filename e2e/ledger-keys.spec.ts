import type { Locator, Page } from '@playwright/test'
import { expect, test } from './fixtures.ts'

/** Presses Tab until something has the focus, and sees that every stop on the way shows it. */
async function tabTo(page: Page, target: Locator, key = 'Tab'): Promise<void> {
  for (let i = 0; i < 60; i++) {
    await page.keyboard.press(key)
    const { shown, what } = await page.evaluate(() => {
      const focused = document.activeElement as HTMLElement
      // A field shows the focus around itself and what belongs to it; that of a text is its cursor.
      const around = [focused, focused.parentElement, focused.closest('[role=search]')]
      const isShown = (each: Element | null) => {
        if (!each) return false
        const { outlineStyle, outlineWidth, boxShadow } = getComputedStyle(each)
        return (outlineStyle !== 'none' && Number.parseFloat(outlineWidth) > 0) || boxShadow !== 'none'
      }
      return { shown: around.some(isShown), what: focused.outerHTML.slice(0, 120) }
    })
    expect(shown, `the focus is seen on ${what}`).toBe(true)
    if (await target.evaluate((element) => element === document.activeElement)) return
  }
  throw new Error('the keyboard does not get there')
}

test('the whole ledger is walked by the keyboard alone', async ({ page, siteUrl }) => {
  const { keyboard } = page
  const status = page.getByText(/ of 364 places shown/)
  await page.goto(`${siteUrl}/ledger/places`)
  await expect(page.getByRole('grid')).toBeVisible()

  await tabTo(page, page.getByRole('searchbox'))
  await keyboard.type('7a2433')
  await expect(status).toHaveText('56 of 364 places shown, in 4 colours')
  await tabTo(page, page.getByRole('slider'))
  await keyboard.press('ArrowRight')
  await expect(page.getByText('within ΔE 5.5')).toBeVisible()
  await keyboard.press('Home')
  await expect(status).toHaveText('49 of 364 places shown, in 1 colour')

  await tabTo(page, page.getByRole('button', { name: 'Pick …' }))
  await keyboard.press('Enter')
  const dialog = page.getByRole('dialog', { name: 'Pick a colour' })
  await tabTo(page, dialog.getByRole('radio', { name: 'an image of the copy' }))
  await keyboard.press('Enter')
  await tabTo(page, dialog.getByRole('application'))
  await keyboard.press('ArrowUp')
  await tabTo(page, dialog.getByRole('button', { name: 'Find its places' }))
  await keyboard.press('Escape')
  await expect(dialog).toBeHidden()
  await expect(page.getByRole('button', { name: 'Pick …' })).toBeFocused()

  await tabTo(page, page.getByRole('radio', { name: 'selector' }))
  await keyboard.press('Enter')
  await tabTo(page, page.getByRole('button', { name: 'Columns' }))
  await keyboard.press('Enter')
  await tabTo(page, page.getByRole('checkbox', { name: 'Property' }))
  await keyboard.press('Space')
  await keyboard.press('Escape')
  await expect(page.getByRole('columnheader', { name: 'Property' })).toBeVisible()
  await tabTo(page, page.getByRole('checkbox', { name: 'Full strength' }))
  await keyboard.press('Space')
  await tabTo(page, page.getByRole('button', { name: /^text/ }))
  await keyboard.press('Space')
  await tabTo(page, page.getByRole('button', { name: 'File' }))
  await keyboard.press('Enter')
  await tabTo(page, page.getByRole('checkbox', { name: /css\/main.css/ }))
  await keyboard.press('Space')
  await keyboard.press('Escape')
  await expect(status).toHaveText('7 of 364 places shown, in 1 colour')

  await tabTo(page, page.getByRole('grid', { name: /^Places/ }))
  const selected = page.getByRole('row', { selected: true })
  const first = await selected.textContent()
  await keyboard.press('ArrowDown')
  await expect(selected).not.toHaveText(first ?? '')
  await keyboard.press('3')
  await keyboard.press('n')
  await expect(page.getByRole('region', { name: 'Source' })).toContainText('css/main.css')
  await tabTo(page, page.getByRole('radio', { name: /^cluster/ }))
  await tabTo(page, page.getByRole('textbox', { name: /^Source/ }))
  await tabTo(page, page.getByRole('link', { name: 'its mapping' }))
  await tabTo(page, page.getByRole('button', { name: /pages/ }))
  await keyboard.press('Enter')
  await tabTo(page, page.getByRole('link', { name: 'index.html' }))
  await keyboard.press('Escape')

  await tabTo(page, page.getByRole('button', { name: 'Views' }), 'Shift+Tab')
  await keyboard.press('Enter')
  await tabTo(page, page.getByRole('textbox', { name: 'Name of this view' }))
  await keyboard.type('By keys')
  await keyboard.press('Enter')
  await expect(page.getByRole('link', { name: 'By keys' })).toBeVisible()
  await keyboard.press('Escape')
  await expect(page.getByRole('button', { name: 'Views' })).toBeFocused()
  await tabTo(page, page.getByRole('button', { name: 'Export' }))
  await keyboard.press('Enter')
  const download = page.waitForEvent('download')
  await tabTo(page, page.getByRole('button', { name: /^CSV/ }))
  await keyboard.press('Enter')
  expect((await download).suggestedFilename()).toMatch(/\.csv$/)
  await keyboard.press('Escape')
  await expect(status).toHaveText('7 of 364 places shown, in 1 colour')
  await tabTo(page, page.getByRole('button', { name: 'Show everything' }))
  await keyboard.press('Enter')
  await expect(status).toHaveText('49 of 364 places shown, in 1 colour')
})
