import { strFromU8, strToU8, unzlibSync, zlibSync } from 'fflate'

/**
 * A text in letters that an address keeps as they are, compressed. Law: `unpack` of it is the same.
 * Source: zlib (RFC 1950), base64url (RFC 4648, 5).
 */
export function pack(text: string): string {
  const bytes = zlibSync(strToU8(text), { level: 9 })
  const base64 = btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''))
  return base64.replaceAll('+', '-').replaceAll('/', '_').replaceAll('=', '')
}

/** What was packed; undefined for what is broken, cut off, or grows beyond `most` bytes. */
export function unpack(packed: string, most: number): string | undefined {
  const bytes = inflated(packed, most)
  return bytes && strFromU8(bytes)
}

function inflated(base64url: string, most: number): Uint8Array | undefined {
  try {
    const base64 = base64url.replaceAll('-', '+').replaceAll('_', '/')
    const packed = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0))
    // What does not fit into this is cut off, and has then another checksum.
    const bytes = unzlibSync(packed, { out: new Uint8Array(most) })
    return adler32(bytes) === numberOf(packed.subarray(-CHECKSUM_BYTES)) ? bytes : undefined
  } catch {
    return undefined
  }
}

/** The last bytes of the format are its checksum, which the library does not look at. */
const CHECKSUM_BYTES = 4

function numberOf(bytes: Uint8Array): number {
  return bytes.reduce((sum, byte) => sum * 256 + byte, 0)
}

/** The checksum of the format. Source: RFC 1950, 8.2. */
function adler32(bytes: Uint8Array): number {
  let [a, b] = [1, 0]
  for (const byte of bytes) {
    a = (a + byte) % 65521
    b = (b + a) % 65521
  }
  return b * 65536 + a
}
