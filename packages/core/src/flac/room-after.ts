/** What a decoder may look ahead by: the longest header of a frame. */
const AHEAD = 32

/**
 * A FLAC file with a little nothing after its end. A last frame of silence has a dozen bytes, fewer than a decoder wants to see
 * before it takes a frame: it would be left out.
 */
export function withRoomAfter(flac: Uint8Array): Uint8Array<ArrayBuffer> {
  const longer = new Uint8Array(flac.length + AHEAD)
  longer.set(flac)
  return longer
}
