/** A MIDI file with a note on every track but the first: a file of lines alone plays nothing. */
export function withANote(bytes: Uint8Array): Uint8Array {
  const parts: number[] = [...bytes.subarray(0, 14)]
  const view = new DataView(bytes.buffer)
  let at = 14
  for (let track = 0; at < bytes.length; track++) {
    const size = view.getUint32(at + 4)
    const body = [...bytes.subarray(at + 8, at + 8 + size)]
    const channel = (track - 1) % 16
    const sounding = track ? [0, 0x90 | channel, 60, 64, 0, 0x80 | channel, 60, 0] : []
    const whole = [...sounding, ...body]
    parts.push(...bytes.subarray(at, at + 4), 0, 0, whole.length >> 8, whole.length & 255, ...whole)
    at += 8 + size
  }
  return Uint8Array.from(parts)
}
