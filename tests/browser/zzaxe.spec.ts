import axe from 'axe-core'
import { openToAll, sendOut, simulated, test } from './fixtures'
test('axe cost', async ({ server, facilitator: page }) => {
  const code = await openToAll(page)
  const people = await simulated(server, code, ['Chi', 'Kaveh', 'Edda'])
  await sendOut(page)
  await page.waitForTimeout(1500)
  let began = Date.now()
  await page.evaluate(axe.source)
  console.log('inject', Date.now() - began)
  const tags = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']
  for (const options of [{}, { preload: false }, { preload: false, iframes: false, elementRef: false, selectors: false }, {}, { preload: false }]) {
    began = Date.now()
    await page.evaluate(async ({ tags, options }) => { await (window as any).axe.run({ runOnly: tags, resultTypes: ['violations'], ...options }) }, { tags, options })
    console.log(JSON.stringify(options), Date.now() - began)
  }
  const rules = await page.evaluate(async ({ tags }) => {
    const a = (window as any).axe
    const out: [string, number][] = []
    for (const r of a.getRules(tags)) { const b = performance.now(); await a.run({ runOnly: { type: 'rule', values: [r.ruleId] }, resultTypes: ['violations'], preload: false }); out.push([r.ruleId, performance.now() - b]) }
    return out.sort((x, y) => y[1] - x[1]).slice(0, 12)
  }, { tags })
  console.log(JSON.stringify(rules))
  for (const each of people) each.leave()
})
