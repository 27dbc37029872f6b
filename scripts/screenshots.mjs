/** npm run screenshots [-- NAME ...]: makes docs/screenshots anew from the demo data, in a database of its own. */
import path from 'node:path'
import { buildServer, buildWeb, WEB_FOLDER } from './lib/build.mjs'
import { openBrowser } from './lib/browser.mjs'
import { run } from './lib/fail.mjs'
import { DATA, ROOT } from './lib/paths.mjs'
import { openCluster } from './lib/postgres.mjs'
import { requireNode, requirePackages, requirePostgres } from './lib/requirements.mjs'
import { prepareDatabase, startServer } from './lib/server.mjs'

const DATABASE = 'able_gauge_pictures'
const FOLDER = process.env.ABLE_GAUGE_PICTURES ?? path.join(ROOT, 'docs', 'screenshots')
const DAY = '/days/01930000-0000-7000-8000-000000002026'
const LAPTOP = { width: 1280, height: 800 }
const PHONE = { width: 390, height: 844 }

/** Each picture: who looks, at what, on which screen, and what is done before. */
const PICTURES = [
  { name: 'days', as: 'ines.calloway-brandt', path: '/', screen: LAPTOP },
  {
    name: 'plan',
    as: 'ines.calloway-brandt',
    path: `${DAY}/plan?part=timetable`,
    screen: LAPTOP,
    before: (page) => page.getByText('in 8 of 10 days. On paper').waitFor(),
    full: true,
  },
  { name: 'muster', as: 'odile.harrow', path: `${DAY}/muster`, screen: LAPTOP },
  { name: 'run', as: 'pell.varga', path: `${DAY}/run`, screen: LAPTOP },
  {
    name: 'repetitions',
    as: 'joss.adair-nakata',
    path: `${DAY}/run/press-ups?bib=15`,
    screen: LAPTOP,
    before: countSome,
    after: undoAll,
  },
  {
    name: 'repetitions-phone',
    as: 'wanda.lofthouse',
    path: `${DAY}/run/press-ups?bib=19`,
    screen: PHONE,
    before: countSome,
    after: undoAll,
  },
  {
    name: 'course',
    as: 'joss.adair-nakata',
    rehearse: { standardId: 'drill-yard-course', version: 1, eventId: 'course', speed: 20 },
    screen: LAPTOP,
    before: workCourse,
  },
  { name: 'laps', as: 'pell.varga', path: `${DAY}/run/run`, screen: LAPTOP, setUp: runWaveTwo },
  { name: 'people', as: 'edda.farquhar', path: '/people', screen: LAPTOP, before: compareFile },
  { name: 'own-page', as: 'edda.farquhar', path: '/people', screen: PHONE, before: openOwnPage },
  { name: 'verdicts', as: 'ines.calloway-brandt', path: `${DAY}/verdicts`, screen: LAPTOP, before: showQuist },
  {
    name: 'result-sheet',
    as: 'ines.calloway-brandt',
    path: `${DAY}/verdicts`,
    screen: LAPTOP,
    before: openSheet,
    full: true,
  },
  { name: 'sign-off', as: 'ines.calloway-brandt', path: `${DAY}/sign-off`, screen: LAPTOP },
  { name: 'person', as: 'ines.calloway-brandt', path: '/people', screen: LAPTOP, before: openPerson },
  { name: 'standard', as: 'ines.calloway-brandt', path: '/standards/guard-service/4', screen: LAPTOP },
  {
    name: 'editor',
    as: 'ines.calloway-brandt',
    path: '/standards/guard-service/5/edit',
    screen: LAPTOP,
    before: openThrow,
  },
  { name: 'insight', as: 'ines.calloway-brandt', path: '/insight?standard=guard-service', screen: LAPTOP },
  {
    name: 'practice',
    as: 'joss.adair-nakata',
    path: '/practice/set/constabulary-entry/3/press-ups/pressUp?level=1&set=27&lanes=1',
    screen: LAPTOP,
    before: practise,
  },
  {
    name: 'compare',
    as: 'ines.calloway-brandt',
    path: '/standards/constabulary-entry/compare',
    screen: LAPTOP,
    before: applyBoth,
  },
]

await run(async () => {
  requireNode()
  requirePackages()
  const bin = requirePostgres()
  await buildWeb()
  await buildServer()
  const wanted = process.argv.slice(2)
  const cluster = await openCluster(bin, path.join(DATA, 'pictures-postgres'))
  try {
    await cluster.dropDatabase(DATABASE)
    await cluster.makeDatabase(DATABASE)
    prepareDatabase(cluster, DATABASE, true)
    const { child, port } = await startServer(cluster, DATABASE, {
      host: '127.0.0.1',
      port: 0,
      webFolder: WEB_FOLDER,
      demo: true,
    })
    // a picture that cannot be taken must not leave the server waiting for a database that is gone
    const browser = await openBrowser()
    try {
      for (const picture of PICTURES) {
        if (wanted.length === 0 || wanted.includes(picture.name)) {
          await take(browser, `http://127.0.0.1:${port}`, picture)
        }
      }
    } finally {
      await browser.close()
      child.kill('SIGTERM')
    }
  } finally {
    cluster.stop()
  }
})

async function take(
  browser,
  address,
  { name, as, path: fixed, rehearse, screen, before, after, setUp, full = false, dusk = false },
) {
  const context = await browser.newContext({ viewport: screen, baseURL: address, reducedMotion: 'reduce' })
  if (as) await context.request.post('/api/session', { data: { signInName: as, password: 'tarn-isles-demo' } })
  // a browser without a screen cannot keep one awake, and has said so
  await context.addInitScript(() => localStorage.setItem('able-gauge-told-awake', 'true'))
  if (dusk) await context.addInitScript(() => localStorage.setItem('able-gauge-theme', 'dusk'))
  if (setUp) await setUp(context.request)
  const page = rehearse ? await rehearsal(context.request, rehearse) : fixed
  const tab = await context.newPage()
  tab.on('pageerror', (error) => console.error(`${name}: ${error.message}`))
  tab.on('console', (message) => message.type() === 'error' && console.error(`${name}: ${message.text()}`))
  await tab.goto(page)
  await tab.waitForLoadState('networkidle').catch(() => undefined)
  await tab.waitForTimeout(1_200)
  if (before) await before(tab)
  await tab.screenshot({ path: path.join(FOLDER, `${name}.png`), fullPage: full })
  if (after) await after(tab)
  await context.close()
  console.log(`${name}.png`)
}

/** A rehearsal in which every event is worked by hand. @returns the address of one event's console */
async function rehearsal(request, { standardId, version, eventId, speed }) {
  const wish = { standardId, version, people: 12, speed, seed: 12, ownEventId: 'all-events' }
  const answer = await request.post('/api/rehearsals', { data: wish })
  if (!answer.ok()) throw new Error(await answer.text())
  const { id } = await answer.json()
  return `/days/${id}/run/${eventId}`
}

async function countSome(tab) {
  await tab.getByRole('button', { name: 'Start commands' }).click()
  await tab.getByText('Count', { exact: true }).waitFor({ timeout: 8_000 })
  for (let index = 0; index < 19; index++) {
    await tab.keyboard.press(' ')
    await tab.waitForTimeout(120)
  }
  for (const key of ['1', '2', 'c']) await tab.keyboard.press(key)
  await tab.waitForTimeout(300)
}

/** Works the first repetitions of a set, most of them rightly, and looks back on them. */
async function practise(tab) {
  await tab.getByRole('button', { name: /Start commands/ }).click()
  const pad = tab.getByRole('button', { name: /^Count/ })
  while (!(await pad.isVisible())) {
    await tab.keyboard.press('Space')
    await tab.waitForTimeout(150)
  }
  const startedMs = Date.now()
  const pressed = [
    [3_610, 'Space'],
    [5_547, '3'],
    [7_631, '1'],
    [10_340, '1'],
    [13_555, 'Space'],
    [16_870, 'Space'],
    [19_622, 'Space'],
  ]
  for (const [atMs, key] of pressed) {
    await tab.waitForTimeout(Math.max(0, startedMs + atMs + 400 - Date.now()))
    await tab.keyboard.press(key)
  }
  await tab.getByRole('button', { name: 'Look at it now' }).click()
  await tab.getByRole('heading', { name: /as you worked them/ }).waitFor()
}

/** Takes a half-counted attempt back, so that later pictures show a day that went on properly. */
async function undoAll(tab) {
  for (let index = 0; index < 23; index++) {
    await tab.keyboard.press('u')
    await tab.waitForTimeout(60)
  }
}

/** Somebody with three years behind her. */
async function openPerson(tab) {
  await tab.getByRole('searchbox').fill('Ashgrove')
  await tab.getByRole('link', { name: 'Hyacinth Ashgrove' }).click()
  await tab.getByRole('heading', { name: 'Over time' }).waitFor()
}

/** A file of people held against the register. */
async function compareFile(tab) {
  const file = [
    'Number;First name;Surname;Born;Sex;Unit;Rank',
    'TI-1003;Petra;Haldane-Roy;19.7.1994;female;Intake;Recruit',
    'TI-1301;Jörg;Ashgrove-Müller;4.5.1999;male;Marram;Firefighter',
    'TI-1302;Ása;Brú;31.2.1999;female;Marram;Firefighter',
    'TI-1303;Emeka;Vance;30.1.1999;male;Intake;Constable',
  ]
  await tab.getByRole('button', { name: 'Bring people in' }).click()
  const buffer = Buffer.from(file.join('\n'), 'latin1')
  await tab
    .getByRole('dialog')
    .getByLabel('The file')
    .setInputFiles({ name: 'people.csv', mimeType: 'text/csv', buffer })
  await tab.getByRole('button', { name: 'Compare' }).click()
  await tab.getByText('on record as the file says').waitFor()
  await tab.waitForTimeout(300)
}

/** What a candidate sees of three years. */
async function openOwnPage(tab) {
  await openPerson(tab)
  const born = (await tab.getByText(/born \d/).innerText()).match(/born ([^.]+)\./)[1]
  await tab.getByRole('button', { name: 'Make a link' }).click()
  const { pathname, hash } = new URL(await tab.locator('.address').innerText())
  await tab.goto(`${pathname}${hash}`)
  await tab.getByLabel('Your date of birth').fill(born)
  await tab.getByRole('button', { name: 'Open my page' }).click()
  await tab.locator('summary').filter({ hasText: 'Press-ups' }).first().click()
  await tab.waitForTimeout(300)
}

/** One candidate on the stairs behind another who is further on. */
async function workCourse(tab) {
  const start = async () => {
    await tab.keyboard.press('s')
    const [questions, words] = [tab.locator('.questions'), tab.locator('.commands')]
    await questions.or(words).waitFor()
    // what has to be clear is clear
    if (await questions.isVisible()) await tab.keyboard.press('Enter')
    await words.waitFor()
    await words.waitFor({ state: 'detached' })
  }
  await start()
  await tab.waitForTimeout(7_000)
  await tab.keyboard.press('t')
  await tab.keyboard.press(' ')
  await tab.waitForTimeout(2_500)
  await tab.keyboard.press(' ')
  await start()
  await tab.waitForTimeout(1_500)
  await tab.keyboard.press('ArrowUp')
  await tab.waitForTimeout(400)
}

/** Wave 2 as it stands 7:59 after its start. */
async function runWaveTwo(request) {
  const { register } = await import('tsx/esm/api')
  const unregister = register()
  const { rehearseDay, rehearseWave, seededRandom } = await import('../core/src/index.ts')
  const day = `/api${DAY.replace('days', 'occasions')}`
  const { standard, entries } = await (await request.get(day)).json()
  const { verdicts } = await (await request.get(`${day}/verdicts`)).json()
  const FINISHES = [
    476_300, 512_000, 470_900, 548_000, 534_000, 462_000, 602_000, 571_000, 528_000, 559_000, 521_000, 589_000,
  ]
  const startMs = Date.now() - 479_000
  const wave = entries.filter(({ wave }) => wave === 2)
  const runners = wave.map(({ id }, index) => ({ entryId: id, finishMs: FINISHES[index] }))
  const at = standard.events.findIndex(({ id }) => id === 'run')
  // nobody runs before the events ahead of the run are done
  const before = standard.events.slice(0, at).flatMap((event, index) => {
    const people = wave.flatMap(({ id, category, wave }) => {
      const mark = verdicts
        .find(({ entryId }) => entryId === id)
        ?.verdict.marks.find(({ eventId }) => eventId === event.id)
      return mark?.kind === 'waiting' ? [{ entryId: id, wave, category, ageYears: 28 }] : []
    })
    const beganMs = startMs - (at - index) * 3_600_000
    return rehearseDay({ ...standard, events: [event] }, people, 26, beganMs, null, { formOf: () => 0.8 })
  })
  const stage = { eventId: 'run', deviceId: 'laptop-finish', random: seededRandom(7) }
  const captures = [...before, ...rehearseWave(stage, standard.events[at].protocol, 2, startMs, runners)]
    .filter(({ atMs }) => atMs <= Date.now())
    .map(({ entryId, ...rest }) => (entryId === null ? rest : { ...rest, entryId }))
  const answer = await request.post(`${day}/captures`, { data: { captures } })
  if (!answer.ok()) throw new Error(await answer.text())
  await unregister()
}

async function showQuist(tab) {
  await tab.locator('tr[data-bib="31"] .cell button').nth(3).click()
  await tab.evaluate(() => window.scrollTo(0, 0))
  await tab.waitForTimeout(200)
}

async function openThrow(tab) {
  await tab.getByRole('navigation', { name: 'Parts' }).getByText('Seated throw').click()
  await tab.locator('.remarks button').first().click()
  await tab.waitForTimeout(400)
}

async function applyBoth(tab) {
  await tab.getByRole('button', { name: 'Apply both to the signed-off days' }).click()
  await tab.getByText('By event').waitFor()
  await tab.waitForTimeout(300)
}

async function openSheet(tab) {
  await tab.locator('tr[data-bib="31"] .who').click()
  await tab.getByRole('link', { name: 'Result sheet to print' }).click()
  await tab.getByRole('button', { name: 'Print the sheet' }).waitFor()
  await tab.waitForTimeout(300)
}
