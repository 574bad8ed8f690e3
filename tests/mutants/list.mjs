/**
 * Small wrong turns that a test has to notice: what stands in a file, what it becomes, and the tests that are asked.
 * Each `is` stands in its file once.
 */
export const MUTANTS = [
  // The click.
  ['app/core/performance/clicks.ts', '(beat * 2) / 3', 'beat / 2', ['app/core/performance']],
  ['app/core/performance/clicks.ts', "return 'bar'", "return 'beat'", ['app/core/performance']],
  [
    'app/core/performance/clicks.ts',
    'tick % beat !== 0)\n  return',
    'tick % beat === 0)\n  return',
    ['app/core/performance'],
  ],
  [
    'app/core/performance/round.ts',
    '(frame.grooveSwing ?? frame.swing)',
    'frame.swing',
    ['app/core/performance'],
  ],
  [
    'app/core/performance/round.ts',
    'tick >= quietUntil',
    'tick > quietUntil',
    ['app/core/performance', 'app/codecs/musicxml'],
  ],
  [
    'app/core/time/swing.ts',
    'inBar - inPair + pair > bar',
    'inBar - inPair + pair >= bar',
    ['app/core/time', 'app/core/performance'],
  ],
  // Text on paper.
  [
    'app/core/sheet/text.ts',
    'if (textWidth(text, size, bold) <= width) return text',
    '',
    ['app/core/sheet'],
  ],
  [
    'app/core/sheet/text.ts',
    'textWidth(longer, size, bold) <= width ||',
    'textWidth(longer, size, bold) <= width * 0.8 ||',
    ['app/core/sheet'],
  ],
  [
    'app/core/sheet/text.ts',
    'textWidth(piece + character, size, bold) > width',
    'textWidth(piece + character, size, bold) > width * 0.8',
    ['app/core/sheet'],
  ],
  [
    'app/core/sheet/text.ts',
    '…`, size, bold) > width)\n    characters.pop()',
    '…`, size, bold) > width * 0.8)\n    characters.pop()',
    ['app/core/sheet'],
  ],
  // Systems and spacing.
  [
    'app/core/sheet/spacing.ts',
    'if (width >= natural) return (full * width) / natural',
    'if (width >= natural) return full',
    ['app/core/sheet'],
  ],
  [
    'app/core/sheet/spacing.ts',
    'if (width <= least) return (small * width) / least',
    'if (width <= least) return small',
    ['app/core/sheet'],
  ],
  [
    'app/core/sheet/spacing.ts',
    'Math.max(gap.heads, gap.words),\n      natural',
    'gap.heads,\n      natural',
    ['app/core/sheet'],
  ],
  [
    'app/core/sheet/spacing.ts',
    '(x1 - x0) * (tick - t0)',
    '(x1 - x0) * (t1 - tick)',
    ['app/core/sheet'],
  ],
  [
    'app/core/sheet/system.ts',
    'Math.min(room, natural * MAX_STRETCH)',
    'room',
    ['app/core/sheet'],
  ],
  ['app/core/sheet/system.ts', "ends ? 'final' : 'single'", "'single'", ['app/core/sheet']],
  ['app/core/sheet/system.ts', 'let x = width - room', 'let x = CLEF', ['app/core/sheet']],
  [
    'app/core/sheet/system.ts',
    "piece.kind !== 'landing')\n    .flatMap",
    "piece.kind === 'landing')\n    .flatMap",
    ['app/core/sheet'],
  ],
  // Notes.
  [
    'app/core/engraving/staff.ts',
    'aimOf(lick).target + silenceAfter(lick.frame)',
    'aimOf(lick).target',
    ['app/core/engraving', 'app/core/sheet'],
  ],
  [
    'app/core/engraving/staff.ts',
    'Math.min(start, frame.stop ?? start)',
    'start',
    ['app/core/engraving', 'app/core/sheet'],
  ],
  [
    'app/core/engraving/staff.ts',
    'isChoked(frame) ? CHOKE_AFTER : frameTicks(frame).beat',
    'frameTicks(frame).beat',
    ['app/core/engraving', 'app/codecs/musicxml'],
  ],
  [
    'app/core/engraving/staff.ts',
    '.filter(({ tick }) => tick < 0)',
    '.filter(({ tick }) => tick < -2520)',
    ['app/core/engraving', 'app/core/sheet'],
  ],
  [
    'app/core/figures/graces.ts',
    '(count - 1 - i) * STEP',
    'i * STEP',
    ['app/core/figures', 'app/core/sheet'],
  ],
  [
    'app/core/figures/graces.ts',
    'count === 1 ?',
    'count < 3 ?',
    ['app/core/figures', 'app/core/sheet'],
  ],
  [
    'app/core/figures/graces.ts',
    'left - GAP - width',
    'left + GAP',
    ['app/core/figures', 'app/core/sheet'],
  ],
  [
    'app/core/figures/graces.ts',
    '[0, 1].map((level)',
    '[0].map((level)',
    ['app/core/figures', 'app/core/sheet'],
  ],
  // What comes in.
  [
    'app/core/drum-parts/laying.ts',
    ' + earlyIn(tolerance)',
    '',
    ['app/core/drum-parts', 'app/codecs/midi'],
  ],
  [
    'app/core/drum-parts/laying.ts',
    'Math.min(to, end ?? to)',
    'to',
    ['app/core/drum-parts', 'app/codecs/midi'],
  ],
  [
    'app/core/drum-parts/laying.ts',
    'change.at < length',
    'change.at <= length',
    ['app/core/drum-parts', 'app/codecs/midi'],
  ],
  [
    'app/core/drum-parts/laying.ts',
    '* slot) / count)',
    '* slot) / (count + 1))',
    ['app/core/drum-parts', 'app/codecs/midi'],
  ],
  // Taps.
  [
    'app/core/timing/taps.ts',
    'taps.length < CARRY_ODD && usual',
    'taps.length < 0 && usual',
    ['app/core/timing', 'app/workspace'],
  ],
  [
    'app/core/timing/taps.ts',
    'slot * DOUBTFUL',
    'slot * DOUBTFUL * 2',
    ['app/core/timing', 'app/workspace'],
  ],
  [
    'app/core/timing/taps.ts',
    'tap.ms - burst.from <= TOGETHER_MS',
    'tap.ms - burst.from < 1',
    ['app/core/timing', 'app/workspace'],
  ],
  [
    'app/core/timing/taps.ts',
    'Math.min(127, tap.velocity * scale)',
    'tap.velocity',
    ['app/core/timing', 'app/workspace'],
  ],
  ['app/workspace/tap-session.ts', '-this.beatMs() / 4', '-this.beatMs() / 2', ['app/workspace']],
  [
    'app/workspace/tap-session.ts',
    'taps.length >= MAX_TAPS',
    'taps.length >= MAX_TAPS * 2',
    ['app/workspace'],
  ],
  [
    'app/workspace/tap-session.ts',
    'const scale = tempo.quarters / quarters',
    'const scale = 1',
    ['app/workspace'],
  ],
  [
    'app/workspace/tap-session.ts',
    'if (this.current.taps.length > 0) this.lay({})',
    '',
    ['app/workspace'],
  ],
  // Edits and documents.
  ['app/workspace/edits/part-edits.ts', 'Math.max(from, to - 1)', 'to', ['app/workspace/edits']],
  [
    'app/workspace/edits/part-edits.ts',
    'i === at ? { ...part, name: tidy(name) }',
    'i !== at ? { ...part, name: tidy(name) }',
    ['app/workspace/edits'],
  ],
  [
    'app/workspace/edits/part-edits.ts',
    '(_, i) => i !== at',
    '(_, i) => i === at',
    ['app/workspace/edits'],
  ],
  [
    'app/workspace/edits/change-edits.ts',
    'range.to - range.from < 2 ||',
    '',
    ['app/workspace/edits', 'app/features/bench'],
  ],
  [
    'app/workspace/edits/change-edits.ts',
    'plainStrokes(lick, range) < 2',
    'plainStrokes(lick, range) < 1',
    ['app/workspace/edits', 'app/features/bench'],
  ],
  [
    'app/workspace/edits/change-edits.ts',
    'over > 0 ? [...sizes, over] : sizes',
    'sizes',
    ['app/workspace/edits', 'app/features/bench'],
  ],
  [
    'app/workspace/edits/change-edits.ts',
    'slots[range.from + slot]?.tick',
    'slots[slot]?.tick',
    ['app/workspace/edits', 'app/features/bench'],
  ],
  [
    'app/workspace/edits/change-edits.ts',
    'event.graceLimb === limb',
    'event.limb === limb',
    ['app/workspace/edits', 'app/features/bench'],
  ],
  [
    'app/workspace/document.ts',
    'slots.length !== pasted.slots',
    'slots.length > pasted.slots',
    ['app/workspace'],
  ],
  [
    'app/workspace/document.ts',
    'if (text !== document.goodText) return document',
    '',
    ['app/workspace'],
  ],
  [
    'app/workspace/document.ts',
    "setValues(command.text, 'title', valuesOf(text, 'title'))",
    "setValues(command.text, 'title', valuesOf(command.text, 'title'))",
    ['app/workspace'],
  ],
  // The log, and what is told of the player.
  ['app/core/log/log.ts', 'at <= now + DAY', 'at <= now + 400 * DAY', ['app/core/log']],
  ['app/core/log/log.ts', 'if (tense || tempo < reached)', 'if (tense)', ['app/core/log']],
  ['app/core/log/log.ts', 'at - countedAt >= APART', 'at - countedAt >= 0', ['app/core/log']],
  [
    'app/core/practice/sets.ts',
    'Math.sign(at(a).kicks) - Math.sign(at(b).kicks) ||',
    '',
    ['app/core/practice/improvise.test.ts'],
  ],
].map(([file, is, becomes, tests]) => ({ file, is, becomes, tests }))
