import { spawn } from 'node:child_process'
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'

/** What stands in front of the servers: `docs/running.md` shows the same for a district. */
const settings = (port, servers) => `
global
  maxconn 4000
defaults
  mode http
  timeout connect 2s
  timeout client 1h
  timeout server 1h
  option redispatch 1
  retries 2
frontend rudlo
  bind 127.0.0.1:${port}
  default_backend servers
backend servers
  # everybody stays with one server, which knows their work, as long as it is there
  balance hash req.cook(rudlo_session)
  hash-type consistent
  option httpchk
  # a server answers to names that it knows alone
  http-check send meth GET uri /api/health ver HTTP/1.1 hdr Host localhost
  http-check expect status 200
  default-server check inter 500ms fall 2 rise 2 on-marked-down shutdown-sessions
${servers.map((to, i) => `  server s${i} 127.0.0.1:${to}`).join('\n')}
`

/** Starts a reverse proxy in front of servers. @returns ends it */
export async function startProxy(folder, port, servers) {
  const file = join(folder, 'haproxy.cfg')
  writeFileSync(file, settings(port, servers))
  const child = spawn('/usr/sbin/haproxy', ['-q', '-db', '-f', file], { stdio: 'ignore' })
  const failed = new Promise((_, reject) => child.once('error', reject))
  await Promise.race([failed, new Promise((resolve) => setTimeout(resolve, 1500))])
  return () => child.kill('SIGTERM')
}
