// Unpacks the static faces that sheets are set in into plain TrueType, which a PDF can hold. Run after the
// fonts have changed. A WOFF 1.0 file is a TrueType file whose tables are deflated one by one (W3C
// Recommendation "WOFF File Format 1.0", sections 3 to 5).
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { inflateSync } from 'node:zlib'

const FACES = [
  ['text', 'hanken-grotesk', 'latin', 400],
  ['text', 'hanken-grotesk', 'latin', 600],
  ['text-ext', 'hanken-grotesk', 'latin-ext', 400],
  ['text-ext', 'hanken-grotesk', 'latin-ext', 600],
  ['mono', 'spline-sans-mono', 'latin', 400],
  ['mono', 'spline-sans-mono', 'latin', 600],
]
const out = process.argv[2] ?? 'app/fonts'
mkdirSync(out, { recursive: true })
for (const [name, family, set, weight] of FACES) {
  const file = `node_modules/@fontsource/${family}/files/${family}-${set}-${weight}-normal.woff`
  writeFileSync(`${out}/${name}-${weight}.ttf`, unpack(readFileSync(file)))
}

/** The TrueType file in a WOFF file: its table directory written anew, every table on four bytes. */
function unpack(woff) {
  const count = woff.readUInt16BE(12)
  const head = Buffer.alloc(12 + count * 16)
  woff.copy(head, 0, 4, 8)
  head.writeUInt16BE(count, 4)
  const power = 2 ** Math.floor(Math.log2(count))
  head.writeUInt16BE(power * 16, 6)
  head.writeUInt16BE(Math.log2(power), 8)
  head.writeUInt16BE((count - power) * 16, 10)
  const parts = [head]
  let offset = head.length
  for (let i = 0; i < count; i += 1) {
    const entry = 44 + i * 20
    const [from, packed, length] = [4, 8, 12].map((at) => woff.readUInt32BE(entry + at))
    const bytes = woff.subarray(from, from + packed)
    const table = packed < length ? inflateSync(bytes) : bytes
    woff.copy(head, 12 + i * 16, entry, entry + 4)
    woff.copy(head, 12 + i * 16 + 4, entry + 16, entry + 20)
    head.writeUInt32BE(offset, 12 + i * 16 + 8)
    head.writeUInt32BE(length, 12 + i * 16 + 12)
    const padding = (4 - (length % 4)) % 4
    parts.push(table, Buffer.alloc(padding))
    offset += length + padding
  }
  return Buffer.concat(parts)
}
