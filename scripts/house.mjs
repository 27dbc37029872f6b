/** npm run house: draws docs/house.svg, which folder imports which, from the real imports. A mark below the diagonal is an import downwards. */
import { writeFileSync } from 'node:fs'
import path from 'node:path'
import { cruise } from 'dependency-cruiser'
import { run } from './lib/fail.mjs'
import { ROOT } from './lib/paths.mjs'
import { requireNode, requirePackages } from './lib/requirements.mjs'

/** In the order they build on each other; what is not named follows by name. Core alone keeps it strictly. */
const ORDER = [
  // core
  ...['quantity', 'document', 'random', 'clock', 'capture', 'estimate', 'instrument', 'referee', 'kinds', 'standard'],
  ...['day', 'people', 'judge', 'words', 'plan', 'insight', 'rehearsal', 'api', 'format'],
  // server
  ...['access', 'store', 'live', 'work', 'insight', 'demo', 'routes'],
  // web
  ...['style', 'workers', 'ui', 'sync', 'session', 'sound', 'standards', 'handout'],
]
const PARTS = ['core', 'server', 'cli', 'web']
const [CELL, LEFT, TOP] = [17, 150, 130]

const folderOf = (file) => {
  const [, part, folder, rest] = /^(core|server|web|cli)\/src\/([^/]+)(\/.*)?$/.exec(file) ?? []
  if (part === undefined || /\.test\.ts$/.test(file)) return null
  return rest === undefined ? `${part}/` : `${part}/${folder}`
}

const placeOf = (folder) => {
  const [part = '', name = ''] = folder.split('/')
  const known = ORDER.indexOf(name)
  // files that stand beside the folders put them together, and come last
  const within = name === '' ? 999 : known >= 0 ? known : 500
  return [PARTS.indexOf(part), within, name]
}
const inOrder = (a, b) => {
  const [one, other] = [placeOf(a), placeOf(b)]
  return one[0] - other[0] || one[1] - other[1] || one[2].localeCompare(other[2])
}

await run(async () => {
  requireNode()
  requirePackages()
  process.chdir(ROOT)
  const { output } = await cruise(
    PARTS.map((part) => `${part}/src`),
    { doNotFollow: { path: 'node_modules' }, tsPreCompilationDeps: true, exclude: { path: '\\.test\\.ts$' } },
    { extensions: ['.ts', '.vue'] },
    { tsConfig: undefined },
  )
  const counts = new Map()
  const folders = new Set()
  for (const { source, dependencies } of output.modules) {
    const from = folderOf(source)
    if (from === null) continue
    folders.add(from)
    for (const { resolved } of dependencies) {
      const to = folderOf(resolved)
      if (to === null || to === from) continue
      folders.add(to)
      const key = `${from} ${to}`
      counts.set(key, (counts.get(key) ?? 0) + 1)
    }
  }
  const names = [...folders].sort(inOrder)
  writeFileSync(path.join(ROOT, 'docs', 'house.svg'), picture(names, counts))
  console.log(`Wrote docs/house.svg: ${names.length} folders, ${counts.size} ways between them.`)
})

function picture(names, counts) {
  const size = names.length * CELL
  const label = (name) => name.replace(/\/$/, '/*')
  const marks = names.flatMap((from, row) =>
    names.flatMap((to, column) => {
      const times = counts.get(`${from} ${to}`)
      if (times === undefined) return []
      const side = Math.min(CELL - 3, 4 + Math.sqrt(times) * 1.6)
      const at = (place) => (place + 0.5) * CELL - side / 2
      const isDown = column < row
      return [
        `<rect x="${(LEFT + at(column)).toFixed(1)}" y="${(TOP + at(row)).toFixed(1)}" width="${side.toFixed(1)}" height="${side.toFixed(1)}" fill="${isDown ? '#17574F' : '#A9B6B0'}"><title>${label(from)} imports ${label(to)}: ${times}</title></rect>`,
      ]
    }),
  )
  const rows = names.map(
    (name, row) =>
      `<text x="${LEFT - 8}" y="${TOP + (row + 0.5) * CELL + 4}" text-anchor="end">${label(name)}</text><text transform="translate(${LEFT + (row + 0.5) * CELL + 4} ${TOP - 8}) rotate(-90)">${label(name)}</text>`,
  )
  const lines = names.map((_, row) => {
    const at = row * CELL
    return `<path d="M${LEFT} ${TOP + at}h${size}M${LEFT + at} ${TOP}v${size}" stroke="#E4E9E6"/>`
  })
  const between = names.flatMap((name, row) =>
    row > 0 && name.split('/')[0] !== names[row - 1].split('/')[0]
      ? [
          `<path d="M${LEFT} ${TOP + row * CELL}h${size}M${LEFT + row * CELL} ${TOP}v${size}" stroke="#A9B6B0" stroke-width="1.5"/>`,
        ]
      : [],
  )
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${LEFT + size + 10} ${TOP + size + 10}" font-family="system-ui, sans-serif" font-size="11" fill="#10201D">
<rect width="100%" height="100%" fill="#FFFFFF"/>
${lines.join('\n')}
${between.join('\n')}
<path d="M${LEFT} ${TOP}l${size} ${size}" stroke="#A9B6B0"/>
${marks.join('\n')}
${rows.join('\n')}
</svg>
`
}
