import path from 'node:path'
import vue from '@vitejs/plugin-vue'
import icons from 'unplugin-icons/vite'
import { defineConfig, type Plugin } from 'vite'
import { compression, defineAlgorithm } from 'vite-plugin-compression2'
import { VitePWA } from 'vite-plugin-pwa'
import { firstTighter, isFirst, neededFirst, ownCopies } from './firstPiece.ts'

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

/**
 * A rule about whatever follows something applies to every element there is: each row that is added to a list has the whole list
 * styled anew, and a stamp is late. The one of the kit is for legends, which have no need of it here.
 */
const noRuleForAll = {
  postcssPlugin: 'no-rule-for-all',
  Rule: (rule: { readonly selector: string; readonly remove: () => unknown }) => {
    if (rule.selector === 'legend + *') rule.remove()
  },
}

/** The same libraries as they ship for browsers of today, without what older ones were given, and no more of reflection than is asked for here. */
const FOR_TODAY = [
  { find: /^class-(validator|transformer)$/, replacement: 'class-$1/esm2015/index.js' },
  { find: /^validator\/lib\//, replacement: 'validator/es/lib/' },
  { find: 'reflect-metadata', replacement: path.join(import.meta.dirname, 'src/noReflection.ts') },
]

/** Every component here, and of the kit, is set up by its `setup`: what Vue has for the other way of writing one is left out. */
const SETUP_ALONE = { __VUE_OPTIONS_API__: 'false' }

/** What the whole build shares with the one that finds the first piece. */
const SAME = {
  root: import.meta.dirname,
  css: { preprocessorOptions: { scss: SCSS }, postcss: { plugins: [noRuleForAll] } },
  resolve: { alias: FOR_TODAY },
  define: SETUP_ALONE,
}

const SHARED =
  /core\/src\/(api|capture|clock|day|document|judge|people|quantity|referee|standard|words|kinds)\/|web\/src\/(day|session|sound|sync|ui)\/|web\/src\/run\/(console|start|use)/

export default defineConfig(async ({ command }) => {
  const parts = () => [vue(), icons({ compiler: 'vue3' })]
  const needed = command === 'build' ? await neededFirst({ ...SAME, plugins: parts() }) : new Set<string>()
  return {
    ...SAME,
    plugins: [firstFault, ownCopies(needed), ...parts(), firstTighter, keptOnDevice, compressed],
    build: {
      outDir: 'dist',
      // a face within the style would be refused by the page's own rules
      assetsInlineLimit: (file) => (file.endsWith('.woff2') ? false : undefined),
      emptyOutDir: true,
      chunkSizeWarningLimit: 900,
      rolldownOptions: {
        output: {
          codeSplitting: {
            groups: [
              { name: 'first', test: (id: string) => isFirst(needed, id), priority: 1 },
              // what most other rooms share
              { name: 'shared', test: SHARED, minShareCount: 5 },
            ],
          },
        },
      },
    },
    server: { proxy: { '/api': 'http://127.0.0.1:4680' } },
  }
})
