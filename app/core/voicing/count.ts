/**
 * How many voicings some strokes have on some surfaces: s to the n; where no surface may come twice
 * running, s times s - 1 to the n - 1. Example: 3 strokes on 5 surfaces have 125, or 80.
 */
export function countVoicings(strokes: number, surfaces: number, noneTwice: boolean): bigint {
  if (strokes === 0) return 1n
  const [n, s] = [BigInt(strokes), BigInt(surfaces)]
  if (!noneTwice) return s ** n
  return s === 0n ? 0n : s * (s - 1n) ** (n - 1n)
}
