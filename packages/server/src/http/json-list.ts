import { breath } from './breath'

/** A list as JSON text, an entry at a time: between entries the server does other things. */
async function* listed(entries: AsyncIterable<unknown> | Iterable<unknown>): AsyncGenerator<Uint8Array> {
  const encoder = new TextEncoder()
  let before = '['
  for await (const entry of entries) {
    yield encoder.encode(before + JSON.stringify(entry))
    before = ','
    await breath()
  }
  yield encoder.encode(before === '[' ? '[]' : ']')
}

/** A list of large things as an answer that is written while it is sent. */
export const jsonList = (entries: AsyncIterable<unknown> | Iterable<unknown>): Response =>
  new Response(ReadableStream.from(listed(entries)) as ReadableStream<Uint8Array>, {
    headers: { 'content-type': 'application/json', 'cache-control': 'private, no-store' },
  })
