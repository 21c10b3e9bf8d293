const DIGITS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/'

/** Bytes of a base64 text: the audio thread has no such function of its own. */
export function bytesOfBase64(text: string): Uint8Array<ArrayBuffer> {
  const padding = text.endsWith('==') ? 2 : text.endsWith('=') ? 1 : 0
  const bytes = new Uint8Array((text.length / 4) * 3 - padding)
  for (let i = 0, at = 0; i < text.length; i += 4) {
    let group = 0
    for (let k = 0; k < 4; k++) group = (group << 6) | Math.max(0, DIGITS.indexOf(text[i + k]!))
    for (let shift = 16; shift >= 0 && at < bytes.length; shift -= 8) bytes[at++] = (group >> shift) & 255
  }
  return bytes
}
