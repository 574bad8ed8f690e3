import { toRandomStream } from '../../app/core/foundation/random.ts'

/** Keys that mean something somewhere, and some that mean nothing. */
const KEYS = [
  ...'RLKHJXrl-><^_(){}fdtb|*@:; 123456789+?snpchm',
  ...['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown', 'Home', 'End', 'PageUp', 'PageDown'],
  ...['Delete', 'Backspace', 'Insert', 'Enter', 'Escape', 'Tab', 'Space', 'Shift+Tab'],
  ...['Shift+ArrowRight', 'Shift+ArrowLeft', 'Alt+ArrowRight', 'Alt+ArrowLeft', 'Alt+ArrowUp'],
  ...['Control+z', 'Control+y', 'Control+Shift+z', 'Control+a', 'Control+k'],
  ...['Control+x', 'Control+c', 'Control+v'],
  ...Array.from('1234567890', (digit) => `Alt+${digit}`),
]
/** What is typed or pasted in one go. */
const TEXTS = [
  ...['RLRR LRLL', 'R L R K | L R', '[RLK]*7', '{RLRLRL}@1/16t', 'title: X\nline: RLRR'],
  ...['', '0', '-5', '1e9', '999999', '<b>x</b>', '🥁 ok', 'ÄÖÜ '.repeat(40)],
]
const LICKS = ['tightrope', 'teeterboard', 'clown-walk', 'cannon-exit', 'knife-wheel', 'five-rings']
const PLACES = [
  ...LICKS.flatMap((lick) => [`/bench/demo-${lick}`, `/practice/demo-${lick}`]),
  ...['/', '/kit', '/flow', '/sets', '/solos', '/log', '/play-in', '/settings', '/backup', '/bin'],
  '/sheet?licks=demo-tightrope',
]
const WIDTHS = { desk: [1024, 1280, 820, 640, 1440], touch: [320, 390, 844, 820] }
/** Acts between two addresses that are typed in, which load the app anew. */
const ACTS_A_VISIT = 90

/**
 * Hands that press anything: keys, whatever can be pressed in sight, drags, texts, reloads, ways back, other
 * widths, for so many milliseconds. Returns how many acts there were, and what went wrong, each with the acts
 * before it: an error that was thrown or told in the console, an error page, a page that is too wide, what was
 * typed and is gone after a reload, a question about another tab where there is none.
 */
export async function pressAnything(page, address, { seed, forMs, touch }) {
  const random = toRandomStream(seed)
  const pick = (list) => list[Math.floor(random() * list.length)]
  const trail = []
  const faults = []
  const act = (words) =>
    trail.push(`${words} at ${page.url().slice(address.length, address.length + 30)}`)
  const fault = (words) => faults.push({ words, trail: trail.slice(-12) })
  page.on('pageerror', (error) => fault(String(error.stack ?? error)))
  page.on('console', (message) => {
    const words = message.text()
    if (message.type() === 'error' && !words.startsWith('Failed to load resource')) fault(words)
  })
  page.on('dialog', (dialog) => void dialog.dismiss().catch(() => {}))
  page.on('download', (download) => void download.delete().catch(() => {}))
  const goTo = async (place) => {
    act(`go to ${place}`)
    await page.goto(address + place)
    await page.waitForTimeout(500)
  }
  await goTo('/')
  // So many of a hundred acts are this.
  const acts = [
    [45, () => key(page, pick(KEYS), act)],
    [45, () => press(page, { random, pick, touch }, act)],
    [touch ? 0 : 4, () => drag(page, random, act)],
    [2, () => insert(page, pick(TEXTS), act)],
    [1, () => reload(page, act, fault)],
    [1, () => back(page, act)],
    [1, () => resize(page, pick(WIDTHS[touch ? 'touch' : 'desk']), act)],
    [1, () => page.waitForTimeout(200)],
  ].flatMap(([times, one]) => Array(times).fill(one))
  const until = Date.now() + forMs
  let done = 0
  for (; Date.now() < until; done += 1) {
    const away = !page.url().startsWith(address)
    if (away || done % ACTS_A_VISIT === ACTS_A_VISIT - 1) await goTo(pick(PLACES))
    try {
      await pick(acts)()
      const wrong = await page.evaluate(whatIsWrong)
      if (wrong) {
        fault(wrong)
        await goTo('/')
      }
    } catch (error) {
      // The page was left in the middle of it; what a page throws itself is heard above.
      if (page.isClosed()) throw error
    }
  }
  return { acts: done, faults }
}

async function key(page, name, act) {
  act(name)
  await page.keyboard.press(name)
}

async function insert(page, text, act) {
  act(`type ${text.slice(0, 20)}`)
  await page.keyboard.insertText(text)
}

async function back(page, act) {
  act('back')
  await page.goBack()
}

async function resize(page, width, act) {
  act(`${width} wide`)
  await page.setViewportSize({ width, height: page.viewportSize().height })
}

async function drag(page, random, act) {
  const { width, height } = page.viewportSize()
  const [x, y] = [random() * width, random() * height]
  act('drag')
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x + random() * 300 - 150, y + random() * 100 - 50, { steps: 4 })
  await page.mouse.up()
}

/** Presses one of the controls in sight, or chooses one of its options. */
async function press(page, { random, pick, touch }, act) {
  const control = await page.evaluate(controlInSight, random())
  if (!control || control.type === 'file') return
  const { x, y, name, options } = control
  act(`press ${name}`)
  if (options) await page.evaluate(choose, { x, y, value: pick(options) })
  else if (touch) await page.touchscreen.tap(x, y)
  else await page.mouse.click(x, y, { clickCount: random() < 0.1 ? 2 : 1 })
}

/** The line that was there a moment before is there after. */
async function reload(page, act, fault) {
  act('reload')
  const line = () => page.evaluate(() => document.querySelector('[data-line]')?.value ?? null)
  await page.waitForTimeout(400)
  const [before, at] = [await line(), page.url()]
  await page.reload()
  await page.waitForTimeout(1000)
  const after = await line()
  if (before !== null && after !== null && at === page.url() && before !== after)
    fault(`“${before}” is “${after}” after a reload`)
}

/** In the page: a control of those that can be seen. */
function controlInSight(share) {
  const all = [
    ...document.querySelectorAll(
      'button, a[href], input, select, summary, textarea, [role=slider], [role=option], [tabindex="0"], [data-slot]',
    ),
  ].filter((one) => {
    const { left, right, top, bottom, width, height } = one.getBoundingClientRect()
    const seen = bottom > 0 && top < innerHeight && right > 0 && left < innerWidth
    return seen && width > 0 && height > 0 && !one.disabled
  })
  const one = all[Math.floor(share * all.length)]
  if (!one) return null
  const { left, top, width, height } = one.getBoundingClientRect()
  return {
    x: left + width / 2,
    y: top + height / 2,
    type: one.type,
    name: (one.getAttribute('aria-label') ?? one.textContent ?? '').trim().slice(0, 40),
    options: one instanceof HTMLSelectElement ? [...one.options].map(({ value }) => value) : null,
  }
}

/** In the page: chooses an option as a hand does. */
function choose({ x, y, value }) {
  const select = document.elementFromPoint(x, y)?.closest('select')
  if (!select) return
  select.value = value
  select.dispatchEvent(new Event('change', { bubbles: true }))
}

/** In the page: what should not be there, in words. */
function whatIsWrong() {
  const told = [...document.querySelectorAll('main, h1, [role=alert]')]
    .map(({ textContent }) => textContent)
    .join(' ')
  const broken = /Something went wrong|could not be loaded|couldn’t be loaded/.exec(told)?.[0]
  if (broken) return `told: ${told.slice(told.indexOf(broken), told.indexOf(broken) + 200)}`
  if (/still to be decided|not saved yet/.test(told)) return 'asked about what one tab cannot cause'
  const over = document.documentElement.scrollWidth - innerWidth
  return over > 1 ? `${over} px too wide at ${innerWidth}` : ''
}
