/** Text as it stands in a page. */
export const escaped = (text: string): string =>
  text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`)

/** A page that needs nothing but a browser: no script, no font, no picture from elsewhere. */
export const page = (title: string, body: string): string => `<!doctype html>
<html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>${escaped(title)}</title>
<style>body{font:16px/1.5 system-ui,sans-serif;max-width:60rem;margin:2rem auto;padding:0 1rem;color:#22304a;background:#fffcf5}
h1{font-size:1.7rem}h2{font-size:1.2rem;margin-top:2rem}table{border-collapse:collapse}th,td{text-align:left;padding:.3rem .8rem .3rem 0;border-top:1px solid #dccfb8;vertical-align:top}
.soft{color:#566075}audio{display:block;margin:.4rem 0}a{color:#0649a9}</style>
<h1>${escaped(title)}</h1>
${body}
</html>
`

/** A table of text. */
export const table = (head: readonly string[], rows: readonly (readonly string[])[]): string =>
  `<table><tr>${head.map((h) => `<th>${escaped(h)}</th>`).join('')}</tr>${rows
    .map((row) => `<tr>${row.map((cell) => `<td>${cell}</td>`).join('')}</tr>`)
    .join('')}</table>`
