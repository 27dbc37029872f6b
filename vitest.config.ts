import vue from '@vitejs/plugin-vue'
import icons from 'unplugin-icons/vite'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'core',
          include: ['core/**/*.test.ts'],
          environment: 'node',
          testTimeout: 30_000,
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
      { test: { name: 'cli', include: ['cli/**/*.test.ts'], environment: 'node', testTimeout: 30_000 } },
      {
        plugins: [vue(), icons({ compiler: 'vue3' })],
        test: {
          name: 'web',
          include: ['web/**/*.test.ts'],
          environment: 'happy-dom',
          testTimeout: 20_000,
        },
      },
    ],
  },
})
