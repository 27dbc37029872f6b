import vue from '@vitejs/plugin-vue'
import icons from 'unplugin-icons/vite'
import { defineConfig, type Plugin } from 'vite'
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

const SHARED =
  /core\/src\/(api|capture|clock|day|document|judge|people|quantity|referee|standard|words|kinds)\/|web\/src\/(day|session|sound|sync|ui)\/|web\/src\/run\/(console|start|use)/

export default defineConfig({
  root: import.meta.dirname,
  plugins: [firstFault, vue(), icons({ compiler: 'vue3' }), keptOnDevice, compressed],
  build: {
    outDir: 'dist',
    emptyOutDir: true,
    chunkSizeWarningLimit: 900,
    rolldownOptions: {
      output: {
        // what most rooms share comes in one piece: on a phone each file more costs a round trip and its headers
        codeSplitting: {
          groups: [{ name: 'shared', test: SHARED, minShareCount: 5 }],
        },
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4680' } },
  css: {
    preprocessorOptions: {
      scss: { quietDeps: true, silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'] },
    },
  },
})
