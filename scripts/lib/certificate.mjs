import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { hostname, networkInterfaces } from 'node:os'
import { join } from 'node:path'

const YEARS = 10

/** Addresses of this machine in its networks. */
export const addresses = () =>
  Object.values(networkInterfaces())
    .flat()
    .filter((i) => i && !i.internal && i.family === 'IPv4')
    .map((i) => i.address)

/**
 * The certificate of this machine for its local network: made at the first start, kept under the data folder.
 * @returns files of key and certificate
 */
export async function certificate(folder) {
  const [key, cert] = [join(folder, 'key.pem'), join(folder, 'cert.pem')]
  if (existsSync(key) && existsSync(cert)) return { key, cert }
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const { default: selfsigned } = await import('selfsigned')
  const names = ['localhost', hostname(), `${hostname()}.local`]
  const made = await selfsigned.generate([{ name: 'commonName', value: `Rudlo on ${hostname()}` }], {
    days: YEARS * 365,
    keySize: 2048,
    algorithm: 'sha256',
    extensions: [
      { name: 'basicConstraints', cA: false },
      { name: 'keyUsage', digitalSignature: true, keyEncipherment: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: [
          ...names.map((value) => ({ type: 2, value })),
          ...['127.0.0.1', ...addresses()].map((ip) => ({ type: 7, ip })),
        ],
      },
    ],
  })
  writeFileSync(key, made.private, { mode: 0o600 })
  writeFileSync(cert, made.cert)
  return { key, cert }
}

/** Checks that files of a given certificate are there. @throws Error with a sentence */
export function given(key, cert) {
  for (const file of [key, cert]) {
    if (!file || !existsSync(file))
      throw new Error(`A key and a certificate are wanted: ${file ?? 'one'} is missing.`)
    if (!readFileSync(file, 'utf8').includes('-----BEGIN')) throw new Error(`${file} is no PEM file.`)
  }
  return { key, cert }
}
