import { availableParallelism } from 'node:os'
import vue from '@vitejs/plugin-vue'
import icons from 'unplugin-icons/vite'
import { defineConfig } from 'vitest/config'

const PLUGINS = [vue(), icons({ compiler: 'vue3' })]
const ALONE = 'web/src/day/dayStore.test.ts'
/** On a busy machine the demo alone takes a minute to load. */
const HOOK_TIMEOUT = 180_000
/** Most files of the interface share one page: each test takes down what it mounted and closes the day it opened. */
const WEB = {
  include: ['web/**/*.test.ts'],
  environment: 'happy-dom',
  testTimeout: 20_000,
  hookTimeout: HOOK_TIMEOUT,
  setupFiles: ['web/testing/setup.ts'],
}

export default defineConfig({
  test: {
    // the default of two cores would be a single one; while one waits for its database, another works
    maxWorkers: Math.max(3, availableParallelism() - 1),
    projects: [
      {
        test: {
          name: 'core',
          include: ['core/**/*.test.ts'],
          environment: 'node',
          testTimeout: 30_000,
          hookTimeout: HOOK_TIMEOUT,
          // core keeps no state of its own, so its files can share what they import
          isolate: false,
        },
      },
      {
        test: {
          name: 'server',
          include: ['server/**/*.test.ts'],
          environment: 'node',
          globalSetup: ['server/testing/globalSetup.ts'],
          testTimeout: 60_000,
          hookTimeout: HOOK_TIMEOUT,
          // each file opens a server and a database of its own; what they import holds no state
          isolate: false,
        },
      },
      {
        test: {
          name: 'cli',
          include: ['cli/**/*.test.ts', 'scripts/**/*.test.ts'],
          environment: 'node',
          testTimeout: 30_000,
          hookTimeout: HOOK_TIMEOUT,
        },
      },
      { plugins: PLUGINS, test: { ...WEB, name: 'web', exclude: [ALONE], isolate: false } },
      // the store of the open day is watched through a component here, which takes a page of its own
      { plugins: PLUGINS, test: { ...WEB, name: 'web, alone', include: [ALONE] } },
    ],
  },
})
