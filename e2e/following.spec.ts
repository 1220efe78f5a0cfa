import { expect, test } from './test'
import { BenchPage, setting } from './bench-page'

test('a set follows the rules of another: what changes there comes when it is opened, what is its own stays', async ({
  page,
}) => {
  const suffix = Math.random().toString(36).slice(2, 7)
  await BenchPage.withNewSet(page, `Leader ${suffix}`)
  const leader = page.url().replace(/\/draw.*/, '')
  const bench = await BenchPage.withNewSet(page, `Follower ${suffix}`)
  await page.getByRole('link', { name: 'Rules' }).click()
  await page.getByLabel('Set whose rules these follow').selectOption(`Leader ${suffix}`)
  await expect(page.getByText('All rules are taken from there and change with it.')).toBeVisible()
  await setting(page, 'radius outer', '4')
  await page.getByRole('button', { name: 'Apply' }).click()
  const own = page.getByRole('list', { name: 'Own rules' })
  await expect(own.getByRole('listitem')).toHaveText(['radii outer×'])
  await bench.saved()
  const follower = page.url()

  await page.goto(`${leader}/rules`)
  await setting(page, 'radius outer', '1')
  await setting(page, 'weight main', '1.5')
  await page.getByRole('button', { name: 'Apply' }).click()
  await expect(page.getByText('No change is pending.')).toBeVisible()
  await bench.saved()

  await page.goto(follower)
  await expect(page.getByText(`Follow Leader ${suffix}: one rule changed there.`)).toBeVisible()
  await expect(page.getByLabel('weight main', { exact: true })).toHaveValue('1.5')
  await expect(page.getByLabel('radius outer', { exact: true })).toHaveValue('4')
  await page.getByRole('button', { name: 'Let radii outer follow again' }).click()
  await expect(page.getByLabel('radius outer', { exact: true })).toHaveValue('1')
  await page.getByRole('button', { name: 'Apply' }).click()
  await expect(own).toHaveCount(0)
})
