import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { expect, test } from 'vitest'
import { openTestServer } from '../testing/testServer.ts'

test('a program installed below a hidden folder serves its page at every address of the application, and nothing else as one', async () => {
  const above = mkdtempSync(path.join(tmpdir(), 'able-gauge-web-'))
  const webFolder = path.join(above, '.programs', 'dist')
  mkdirSync(path.join(webFolder, 'assets'), { recursive: true })
  writeFileSync(path.join(webFolder, 'index.html'), '<title>Able Gauge</title>')
  const server = await openTestServer({ webFolder })
  try {
    for (const page of ['/', '/days/1/run', '/standards/some.thing/1']) {
      const answer = await fetch(`${server.address}${page}`)
      expect([page, answer.status, await answer.text()]).toEqual([page, 200, '<title>Able Gauge</title>'])
      expect(answer.headers.get('cache-control')).toBe('no-cache')
      expect(answer.headers.get('content-security-policy')).toContain("default-src 'self'")
      expect(answer.headers.get('x-frame-options')).toBe('SAMEORIGIN')
    }
    expect((await fetch(`${server.address}/assets/gone.js`)).status).toBe(404)
    expect((await fetch(`${server.address}/api/gone`)).status).toBe(404)
  } finally {
    await server.close()
    rmSync(above, { recursive: true })
  }
})
