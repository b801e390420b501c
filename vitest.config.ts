import { defineConfig } from 'vitest/config'

// A slow machine only takes longer: no test waits for time to pass. Files share what they import, which is pure; only the server's have a state of their own.
const project = (name: string, include: string, isolate = false) => ({
  test: { name, root: name, include: [include], isolate, testTimeout: 120_000, hookTimeout: 120_000 },
})

export default defineConfig({
  test: {
    maxWorkers: 2,
    projects: [
      project('core', '**/*.test.ts'),
      project('contracts', '**/*.test.ts'),
      project('cli', '**/*.test.ts'),
      project('corpus', '**/*.test.ts'),
      project('web', 'src/**/*.test.{ts,tsx}'),
      // Integration tests share one PostgreSQL; each file has a database of its own.
      project('server', '**/*.test.ts', true),
    ],
  },
})
