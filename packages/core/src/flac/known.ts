/** Whole numbers of 16 bit that show how a decoder maps them to ±1. */
export const KNOWN_SAMPLES: readonly number[] = [
  -32768, -32767, -16385, -1, 0, 1, 16383, 32767, -2, 2, -12345, 12345, -30001, 30001, -3, 3,
]

/** A FLAC file of {@link KNOWN_SAMPLES}, of one channel at 44.1 kHz, in base64. */
export const KNOWN_FLAC =
  'ZkxhQ4AAACISABIAAAA8AAA8CsRA8AAAABAaLEDU2xHAeLfhIOsp3bWs//hpCAAPME6AAIABv////wAAAAE//3//56hO/jl6JPedx2CIhA03IIHJ0XP+k41ZHQRpkIXRpkUo3K6I'
