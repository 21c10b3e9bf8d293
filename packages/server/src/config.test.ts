import { describe, expect, it } from 'vitest'
import { configFrom, connectionFrom } from './config'

const database = {
  RUDLO_DB_HOST: '127.0.0.1',
  RUDLO_DB_PORT: '3307',
  RUDLO_DB_USER: 'rudlo',
  RUDLO_DB_PASSWORD: 'secret',
  RUDLO_DB_NAME: 'rudlo',
}

describe('what a server is told', () => {
  it('is read from the environment, and nothing else of it', () => {
    const config = configFrom({
      ...database,
      PATH: '/bin',
      RUDLO_PORT: '8321',
      RUDLO_DEMO: '1',
      RUDLO_HOSTS: 'a.example, b.example,',
    })
    expect(config).toMatchObject({
      port: 8321,
      demo: true,
      rehearse: true,
      demoPace: 1,
      proxied: false,
      tls: null,
      hosts: ['a.example', 'b.example'],
      database: { host: '127.0.0.1', port: 3307, username: 'rudlo' },
    })
  })

  it('leaves out the rehearsal where that is said', () => {
    const config = configFrom({ ...database, RUDLO_PORT: '1', RUDLO_DEMO: '0', RUDLO_REHEARSE: '0' })
    expect(config).toMatchObject({ demo: false, rehearse: false })
  })

  it.each([
    ['a port that is none', { RUDLO_PORT: 'many' }, /RUDLO_PORT/],
    ['a port beyond the last', { RUDLO_PORT: '70000' }, /RUDLO_PORT/],
    ['no database', { RUDLO_PORT: '1', RUDLO_DB_HOST: undefined }, /RUDLO_DB_HOST: is not set/],
  ])('with %s is refused, with its name', (_, change, problem) => {
    expect(() => configFrom({ ...database, RUDLO_DEMO: '0', ...change })).toThrow(problem)
  })

  it('names the database for the command line too', () => {
    expect(connectionFrom(database)).toEqual({
      host: '127.0.0.1',
      port: 3307,
      username: 'rudlo',
      password: 'secret',
      database: 'rudlo',
    })
    expect(() => connectionFrom({})).toThrow('Start Rudlo with npm.')
  })
})
