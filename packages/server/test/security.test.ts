import { mkdtempSync, mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { get } from 'node:http'
import { tmpdir } from 'node:os'
import { basename, join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { serve, type ServerType } from '@hono/node-server'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { createApp } from '../src/app'
import { logFile } from '../src/http/log'
import { Client, type Refused } from './client'
import { openWork } from './story'
import { makeWorld, type World } from './world'

let world: World
beforeAll(async () => void (world = await makeWorld()))
afterAll(() => world.close())

describe('every answer', () => {
  it('isolates the page and tells other sites nothing', async () => {
    const { headers, body } = await (await world.as(null)).get('/api/health')
    expect(body).toEqual({ ok: true })
    expect(Object.fromEntries(headers)).toMatchObject({
      'cross-origin-opener-policy': 'same-origin',
      'cross-origin-embedder-policy': 'require-corp',
      'cross-origin-resource-policy': 'same-origin',
      'x-content-type-options': 'nosniff',
      'referrer-policy': 'no-referrer',
      'content-security-policy': expect.stringContaining("default-src 'none'"),
    })
  })

  it('has one shape where something is refused', async () => {
    const client = await world.as('anna')
    for (const path of ['/api/nothing', '/api/works/x', '/nowhere']) {
      const { status, body } = await client.get<Refused>(path)
      expect(status).toBe(404)
      expect(body.error).toMatchObject({ code: 'not-found', message: expect.any(String) })
    }
  })
})

describe('writes', () => {
  it.each([
    ['another origin', { origin: 'http://elsewhere.example' }],
    ['a sandboxed page', { origin: 'null' }],
    ['a page of another site without an origin', { 'sec-fetch-site': 'cross-site' }],
  ])('are refused from %s', async (_, headers) => {
    const client = await world.as('anna')
    const { status, body } = await client.post<Refused>(
      `/api/assignments/${world.assignment}/work`,
      {},
      headers,
    )
    expect([status, body.error.code]).toEqual([403, 'other-origin'])
  })

  it('are taken from the own origin', async () => {
    const client = await world.as('anna')
    const own = { origin: 'http://localhost', 'sec-fetch-site': 'same-origin' }
    expect((await client.post(`/api/assignments/${world.assignment}/work`, {}, own)).status).toBe(200)
  })
})

describe('the log', () => {
  it('names nobody and no id', async () => {
    const anna = await world.as('anna')
    const { id } = await openWork(world, anna)
    await anna.get(`/api/works/${id}`)
    const text = world.log.join('\n')
    expect(text).toMatch(/"method":"GET","route":"\/api\/works\/:id","status":200,"ms":[\d.]+/)
    expect(text).not.toContain(id)
    expect(text.toLowerCase()).not.toContain('anna')
  })
})

describe('the pages', () => {
  const folder = mkdtempSync(join(tmpdir(), 'rudlo-pages-'))
  let client: Client
  let server: ServerType
  beforeAll(async () => {
    mkdirSync(join(folder, 'assets'))
    writeFileSync(join(folder, 'index.html'), '<meta nonce="%NONCE%">')
    writeFileSync(join(folder, 'assets/app-1a2b.js'), 'let a = 1\n'.repeat(500))
    writeFileSync(join(folder, 'assets/app-1a2b.js.gz'), gzipSync('let a = 1\n'.repeat(500)))
    // beside what is served, where a way out of the folder would lead, and under it by another name
    writeFileSync(join(folder, 'secret.txt'), 'secret')
    writeFileSync(join(folder, '..', `${basename(folder)}-secret.txt`), 'secret')
    const app = createApp(world.services, { log: logFile(undefined), web: folder })
    client = new Client(app)
    await new Promise<void>((resolve) => {
      server = serve({ fetch: app.fetch, port: 0, hostname: '127.0.0.1' }, () => resolve())
    })
  })
  afterAll(() => {
    server.close()
    rmSync(folder, { recursive: true })
    rmSync(`${folder}-secret.txt`)
  })

  it('come with a policy that allows own files only, and a fresh nonce', async () => {
    const pages = await Promise.all([client.get('/'), client.get('/bench/anything')])
    const policies = pages.map((p) => p.headers.get('content-security-policy')!)
    for (const [i, policy] of policies.entries()) {
      expect(policy).toContain("script-src 'self' 'wasm-unsafe-eval'")
      expect(policy).not.toContain('unsafe-inline')
      const nonce = /nonce-([^']+)'/.exec(policy)![1]!
      expect(new TextDecoder().decode(pages[i]!.bytes)).toBe(`<meta nonce="${nonce}">`)
    }
    expect(policies[0]).not.toBe(policies[1])
  })

  it('keep hashed files for ever, packed', async () => {
    const { headers, bytes } = await client.get('/assets/app-1a2b.js', { 'accept-encoding': 'gzip' })
    expect(headers.get('cache-control')).toBe('public, max-age=31536000, immutable')
    expect(headers.get('content-encoding')).toBe('gzip')
    expect(bytes.length).toBeLessThan(500)
  })

  /** What a path brings that goes over the wire as it is: a browser would tidy it up first. */
  const text = (path: string) =>
    new Promise<string>((resolve, reject) => {
      const address = server.address()
      const port = typeof address === 'object' ? address?.port : undefined
      get({ port, path, host: '127.0.0.1' }, (response) => {
        let all = ''
        response.on('data', (piece: Buffer) => (all += piece.toString()))
        response.on('end', () => resolve(all))
      }).on('error', reject)
    })

  it('give nothing else away', async () => {
    const outside = `${basename(folder)}-secret.txt`
    // the file is really served where the way to it is a straight one
    expect(await text('/assets/app-1a2b.js')).toContain('let a = 1')
    for (const way of ['..', '%2e%2e', '.%2e', '%2E%2E', '..%5c..'])
      for (const slash of ['/', '%2f', '%5c'])
        for (const path of [
          `/assets/${way}${slash}secret.txt`,
          `/assets/${way}${slash}${way}${slash}${outside}`,
          `/assets/app-1a2b.js/${way}${slash}${way}${slash}secret.txt`,
        ])
          expect(await text(path), path).not.toContain('secret')
    expect((await client.get('/assets/none.js')).status).toBe(404)
    expect((await client.get('/api/none')).status).toBe(404)
  })
})
