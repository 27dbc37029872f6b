/**
 * What a phone on the field fetches until it can count its first repetition. It comes in one piece, without what only other rooms
 * use: on a thin network each file more costs a round trip and its headers.
 */
import { readFile } from 'node:fs/promises'
import { minify } from 'terser'
import { build, type InlineConfig, type Plugin, type Rolldown } from 'vite'

/** Whatever would be fetched later is left out. */
const nothingLater: Plugin = {
  name: 'nothing-later',
  enforce: 'pre',
  transform: (code, id) =>
    id.includes('/web/src/') ? code.replace(/import\(\s*'[^']+'\s*\)/g, 'Promise.reject()') : null,
}

/** The modules of the first piece, found by building the way to the first console alone. @param config what the whole build has */
export const neededFirst = async (config: InlineConfig): Promise<ReadonlySet<string>> => {
  const built = await build({
    ...config,
    configFile: false,
    logLevel: 'silent',
    plugins: [nothingLater, ...(config.plugins ?? [])],
    build: { write: false, minify: false },
  })
  // one that is not watched
  const { output } = built as Rolldown.RolldownOutput
  return new Set(
    output.flatMap((part) =>
      part.type === 'chunk'
        ? Object.entries(part.modules).flatMap(([id, { renderedLength }]) => (renderedLength > 0 ? [id] : []))
        : [],
    ),
  )
}

/** The style of the house, and what the bundler itself adds. */
const ALWAYS = /\/src\/style\/\w+\.scss$|rolldown\/runtime/

/** Libraries of functions that remember nothing, each in one file, of which most is asked for by other rooms. */
const OF_FUNCTIONS = /node_modules\/(@vueuse\/(core|shared)|bootstrap-vue-next)\/dist\/(index|dist-[^/]+)\.js$/
const COPY = '?first'

export const isFirst = (needed: ReadonlySet<string>, id: string): boolean =>
  id.endsWith(COPY) || ALWAYS.test(id) || (needed.has(id) && !OF_FUNCTIONS.test(id))

/** A copy of each such library for the modules of the first piece, with what they use of it and no more. */
export const ownCopies = (needed: ReadonlySet<string>): Plugin => ({
  name: 'own-copies',
  enforce: 'pre',
  resolveId: {
    order: 'pre',
    async handler(source, importer, options) {
      if (!importer || !(needed.has(importer) || importer.endsWith(COPY))) return null
      const found = await this.resolve(source, importer, { ...options, skipSelf: true })
      return found && OF_FUNCTIONS.test(found.id) ? { ...found, id: found.id + COPY, moduleSideEffects: false } : found
    },
  },
  load: (id) => (id.endsWith(COPY) ? readFile(id.slice(0, -COPY.length), 'utf8') : null),
})

/** What every phone waits for is made small once more, more slowly than all the rest. */
export const firstTighter: Plugin = {
  name: 'first-tighter',
  generateBundle: {
    order: 'pre',
    async handler(_, bundle) {
      for (const chunk of Object.values(bundle)) {
        if (chunk.type !== 'chunk' || chunk.name !== 'first') continue
        const { code } = await minify(chunk.code, { ecma: 2020, module: true, compress: { passes: 3 } })
        chunk.code = code ?? chunk.code
      }
    },
  },
}
