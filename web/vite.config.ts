import path from 'node:path'
import vue from '@vitejs/plugin-vue'
import icons from 'unplugin-icons/vite'
import { build, defineConfig, type Plugin } from 'vite'
import { compression, defineAlgorithm } from 'vite-plugin-compression2'
import { VitePWA } from 'vite-plugin-pwa'

/** Beside each file one that is sent in its place: what is made once need not be made for every phone. */
const compressed = compression({
  algorithms: [defineAlgorithm('gzip', { level: 9 }), defineAlgorithm('brotliCompress')],
  threshold: 1_000,
})

/**
 * The application's own files are kept on the device, all of one version, so that it opens without a network; days and captures
 * are kept by the application itself, in its database. A newer version waits until somebody takes it.
 */
const keptOnDevice = VitePWA({
  registerType: 'prompt',
  injectRegister: null,
  manifest: false,
  filename: 'sw.js',
  workbox: {
    globPatterns: ['**/*.{html,js,css,woff,woff2,svg,webmanifest}', 'icon-192.png'],
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//, /^\/field\//],
    // the page that fetched it is kept from then on, without being opened again
    clientsClaim: true,
    cleanupOutdatedCaches: true,
    maximumFileSizeToCacheInBytes: 4_000_000,
    // one file, so that a phone asks once
    inlineWorkboxRuntime: true,
    sourcemap: false,
  },
})

/** What goes wrong first is told: plugins that end a failed build fail once more, and only the last failure would be seen. */
const firstFault: Plugin = {
  name: 'first-fault',
  buildEnd: (error) => {
    if (error) console.error(error.message)
  },
}

const SCSS = {
  quietDeps: true,
  silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'],
} as const

const MAIN = path.join(import.meta.dirname, 'src/main.ts')

/** The same libraries as they ship for browsers of today, without what older ones were given. */
const FOR_TODAY = {
  'class-validator': 'class-validator/esm2015/index.js',
  'class-transformer': 'class-transformer/esm2015/index.js',
  'reflect-metadata': 'reflect-metadata/lite',
}

/** Every component here, and of the kit, is set up by its `setup`: what Vue has for the other way of writing one is left out. */
const SETUP_ALONE = { __VUE_OPTIONS_API__: 'false' }

/** What is followed on the way to the first console; every other room comes when somebody goes there. */
const ON_THE_WAY = /(DayFrame|EventRoom|RepetitionsConsole|WithOther)\.vue'$/

/**
 * The modules a phone on the field needs until it can count its first repetition. They come in one piece, without what only other
 * rooms use: on a thin network each file more costs a round trip and its headers. Which ones they are is found by building that way alone.
 */
const neededFirst = async (): Promise<ReadonlySet<string>> => {
  const thatWayAlone: Plugin = {
    name: 'that-way-alone',
    enforce: 'pre',
    transform: (code, id) =>
      id.includes('/web/src/')
        ? code.replace(/import\(\s*('[^']+')\s*\)/g, (all, what: string) =>
            ON_THE_WAY.test(what) ? all : 'Promise.reject()',
          )
        : null,
  }
  const built = await build({
    root: import.meta.dirname,
    configFile: false,
    logLevel: 'silent',
    plugins: [thatWayAlone, vue(), icons({ compiler: 'vue3' })],
    css: { preprocessorOptions: { scss: SCSS } },
    resolve: { alias: FOR_TODAY },
    define: SETUP_ALONE,
    build: { write: false, minify: false },
  })
  const chunks = [built]
    .flat()
    .flatMap((result) => ('output' in result ? result.output : []))
    .filter((part) => part.type === 'chunk')
  const used = chunks.flatMap(({ modules }) =>
    Object.entries(modules).flatMap(([id, { renderedLength }]) => (renderedLength > 0 ? [id] : [])),
  )
  // what is asked for by its own address stays a piece of its own, with all of its file
  const fileOf = (id: string): string => id.split('?')[0] ?? id
  const entries = new Set([MAIN, ...chunks.map(({ facadeModuleId }) => facadeModuleId)])
  return new Set(used.filter((id) => !entries.has(fileOf(id))))
}

const SHARED =
  /core\/src\/(api|capture|clock|day|document|judge|people|quantity|referee|standard|words|kinds)\/|web\/src\/(day|session|sound|sync|ui)\/|web\/src\/run\/(console|start|use)/

export default defineConfig(async ({ command }) => {
  const first = command === 'build' ? await neededFirst() : new Set()
  return {
    root: import.meta.dirname,
    plugins: [firstFault, vue(), icons({ compiler: 'vue3' }), keptOnDevice, compressed],
    build: {
      outDir: 'dist',
      emptyOutDir: true,
      chunkSizeWarningLimit: 900,
      rolldownOptions: {
        output: {
          codeSplitting: {
            groups: [
              { name: 'first', test: (id: string) => first.has(id), priority: 1 },
              // what most other rooms share
              { name: 'shared', test: SHARED, minShareCount: 5 },
            ],
          },
        },
      },
    },
    server: { proxy: { '/api': 'http://127.0.0.1:4680' } },
    css: { preprocessorOptions: { scss: SCSS } },
    resolve: { alias: FOR_TODAY },
    define: SETUP_ALONE,
  }
})
