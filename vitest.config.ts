import vue from '@vitejs/plugin-vue'
import icons from 'unplugin-icons/vite'
import { defineConfig } from 'vitest/config'

const PLUGINS = [vue(), icons({ compiler: 'vue3' })]
const ALONE = 'web/src/day/dayStore.test.ts'
/** Most files of the interface share one page: each test takes down what it mounted and closes the day it opened. */
const WEB = {
  include: ['web/**/*.test.ts'],
  environment: 'happy-dom',
  testTimeout: 20_000,
  hookTimeout: 60_000,
  setupFiles: ['web/testing/setup.ts'],
}

export default defineConfig({
  test: {
    // one fewer than the machine has is the default, which is a single one on two cores
    maxWorkers: 2,
    projects: [
      {
        test: {
          name: 'core',
          include: ['core/**/*.test.ts'],
          environment: 'node',
          testTimeout: 30_000,
          hookTimeout: 60_000,
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
          testTimeout: 20_000,
          hookTimeout: 60_000,
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
          // a copy of the house is made and cleared away in one of them
          hookTimeout: 60_000,
        },
      },
      { plugins: PLUGINS, test: { ...WEB, name: 'web', exclude: [ALONE], isolate: false } },
      // the store of the open day is watched through a component here, which takes a page of its own
      { plugins: PLUGINS, test: { ...WEB, name: 'web, alone', include: [ALONE] } },
    ],
  },
})
