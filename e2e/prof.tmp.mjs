import { chromium } from '@playwright/test'
import { readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { Installation } from '../scripts/lib/installation.mjs'
import { seededFolder } from '../scripts/lib/seed.mjs'
import { CHROMIUM } from '../scripts/lib/chromium.mjs'
import mysql from 'mysql2/promise'
const cpu = () => { const by = {}; for (const n of readdirSync('/proc')) { if (!/^\d+$/.test(n)) continue; try { const s = readFileSync(`/proc/${n}/stat`,'utf8'); const c = readFileSync(`/proc/${n}/cmdline`,'utf8').split('\0'); const f = s.slice(s.lastIndexOf(')')+2).split(' '); const t=(+f[11] + +f[12])/100; let name = c[0].split('/').pop().split(' ')[0]; if (/chrom/.test(c[0])) { name = 'chromium ' + (/--type=(\S+)/.exec(c.join(' '))?.[1] ?? 'browser') } else if (/mariadbd/.test(c[0])) name='mariadbd'; else if (/dist\/main/.test(c.join(' '))) name='server'; by[name]=(by[name]??0)+t } catch {} } return by }
const threads = () => { const by = {}; for (const n of readdirSync('/proc')) { if (!/^\d+$/.test(n)) continue; try { const c = readFileSync(`/proc/${n}/cmdline`,'utf8'); if (!c.includes('--type=renderer')) continue; for (const t of readdirSync(`/proc/${n}/task`)) { const s = readFileSync(`/proc/${n}/task/${t}/stat`,'utf8'); const name = s.slice(s.indexOf('(')+1,s.lastIndexOf(')')); const f = s.slice(s.lastIndexOf(')')+2).split(' '); by[n+' '+name+' '+t]=(+f[11] + +f[12])/100 } } catch {} } return by }
const diff = (a,b)=>Object.fromEntries(Object.entries(b).map(([k,v])=>[k,+(v-(a[k]??0)).toFixed(2)]).filter(([,v])=>v>0.05))
const inst = await new Installation(true, { from: await seededFolder() }).start()
const c = await mysql.createConnection({host:inst.database.connection.host,port:inst.database.connection.port,user:inst.database.connection.username,password:inst.database.connection.password,database:inst.database.connection.database})
const [[p]] = await c.query("select id from people where name='Wilma Osei'")
const [[a]] = await c.query("select id from assignments where title='Make room for the tune' limit 1")
const browser = await chromium.launch(CHROMIUM)
const ctx = await browser.newContext({viewport:{width:1280,height:800}})
await ctx.addInitScript(()=>{ if(location.protocol!=='about:') localStorage.setItem('rudlo-listening', JSON.stringify({delay:0,checked:true}))})
await ctx.request.post(`${inst.address}/api/demo-session`,{data:{person:p.id}})
const PROFILE = process.argv[2]==='profile'
for (let i=0;i<3;i++){
  const page = await ctx.newPage()
  const s = await ctx.newCDPSession(page)
  if (PROFILE && i===1) { await s.send('Profiler.enable'); await s.send('Profiler.setSamplingInterval',{interval:500}); await s.send('Profiler.start') }
  const a0 = cpu(); const h0=threads(); const t0=Date.now()
  await page.goto(`${inst.address}/bench/${a.id}`)
  await page.locator('[data-test=play]:enabled').waitFor()
  const t1=Date.now(); const a1=cpu(); const h1=threads()
  await page.waitForTimeout(8000)
  const a2=cpu(); const h2=threads()
  await page.waitForTimeout(5000)
  const a3=cpu()
  console.log(i, 'ready', t1-t0,'ms', diff(a0,a1), 'next 8 s', diff(a1,a2), 'idle 5 s', diff(a2,a3))
  if (PROFILE && i===1) { const {profile}=await s.send('Profiler.stop'); writeFileSync('/tmp/prof/main.cpuprofile', JSON.stringify(profile)) }
  if(i==1) console.log('to ready',diff(h0,h1),'after',diff(h1,h2)); const b0=cpu(); await page.close(); await new Promise(r=>setTimeout(r,500)); console.log('close', diff(b0,cpu()))
}
await browser.close(); await c.end(); await inst.stop()
