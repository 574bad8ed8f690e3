import {
  Bar,
  BarChart,
  CartesianGrid,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts'
import type { EvenRow, NeglectedRow, toMinutes, toTempos } from './log-view'

const INK = 'var(--quiet)'
const AXIS = { stroke: INK, fontSize: 12, tickLine: false } as const

/** Minutes a day as bars. The table beside it says the same. */
export function MinutesChart({ data }: { data: ReturnType<typeof toMinutes> }) {
  return (
    <div className="h-44 overflow-hidden" aria-hidden="true">
      <ResponsiveContainer width="100%" height="100%">
        <BarChart
          accessibilityLayer={false}
          data={data}
          margin={{ top: 8, right: 8, bottom: 0, left: -24 }}
        >
          <CartesianGrid vertical={false} stroke="var(--color-base-300)" />
          <XAxis dataKey="day" {...AXIS} interval={6} />
          <YAxis {...AXIS} axisLine={false} allowDecimals={false} />
          <Bar dataKey="minutes" fill="var(--color-primary)" isAnimationActive={false} />
        </BarChart>
      </ResponsiveContainer>
    </div>
  )
}

/** The ten below or above a tempo. */
function tens(tempo: number, round: (value: number) => number): number {
  return round(tempo / 10) * 10
}

/** A lick's tempos against its goal: clean in full dots joined, others hollow. */
export function TempoChart({
  data,
  goal,
}: {
  data: ReturnType<typeof toTempos>
  goal: number | null
}) {
  return (
    <div className="h-56 overflow-hidden" aria-hidden="true">
      <ResponsiveContainer width="100%" height="100%">
        <LineChart
          accessibilityLayer={false}
          data={data}
          margin={{ top: 12, right: 64, bottom: 0, left: -16 }}
        >
          <CartesianGrid vertical={false} stroke="var(--color-base-300)" />
          <XAxis dataKey="day" {...AXIS} minTickGap={24} />
          <YAxis
            {...AXIS}
            axisLine={false}
            allowDecimals={false}
            domain={[
              (least: number) => tens(least - 4, Math.floor),
              (most: number) => tens(Math.max(most, goal ?? 0) + 4, Math.ceil),
            ]}
          />
          {goal !== null && (
            <ReferenceLine
              y={goal}
              stroke={INK}
              strokeDasharray="5 4"
              label={{ value: `goal ${goal}`, position: 'right', fill: INK, fontSize: 12 }}
            />
          )}
          <Line
            dataKey="clean"
            connectNulls
            stroke="var(--color-primary)"
            strokeWidth={2}
            dot={{ r: 4, fill: 'var(--color-primary)' }}
            isAnimationActive={false}
          />
          <Line
            dataKey="other"
            stroke="none"
            dot={{ r: 4, fill: 'var(--color-base-200)', stroke: INK, strokeWidth: 1.5 }}
            isAnimationActive={false}
          />
        </LineChart>
      </ResponsiveContainer>
    </div>
  )
}

const ROW = 26

/** Days since each lick was practised last, as bars to the right. */
export function NeglectedChart({ data }: { data: readonly NeglectedRow[] }) {
  return (
    <div className="overflow-hidden" style={{ height: data.length * ROW + 34 }} aria-hidden="true">
      <ResponsiveContainer width="100%" height="100%">
        <BarChart
          accessibilityLayer={false}
          layout="vertical"
          data={[...data]}
          margin={{ top: 4, right: 16, bottom: 0, left: 4 }}
        >
          <XAxis type="number" {...AXIS} allowDecimals={false} />
          <YAxis type="category" dataKey="title" width={120} {...AXIS} axisLine={false} />
          <Bar dataKey="days" fill="var(--color-primary)" barSize={12} isAnimationActive={false} />
        </BarChart>
      </ResponsiveContainer>
    </div>
  )
}

/** Each limb by a line of its own, told apart by how it is dashed as well as by its colour. */
export const LIMB_LINES = [
  { limb: 'RH', drawn: 'solid', color: 'var(--limb-r)', dash: undefined },
  { limb: 'LH', drawn: 'dashed', color: 'var(--limb-l)', dash: '6 4' },
  { limb: 'RF', drawn: 'dotted', color: 'var(--limb-k)', dash: '2 3' },
  { limb: 'LF', drawn: 'dashes and dots', color: 'var(--limb-h)', dash: '8 3 2 3' },
] as const

/** The spread of each limb, day by day; lower is more even. */
export function EvenChart({ data }: { data: readonly EvenRow[] }) {
  const flat = data.map(({ day, limbs }) => ({ day, ...limbs }))
  const shown = LIMB_LINES.filter(({ limb }) => data.some(({ limbs }) => limbs[limb] !== undefined))
  return (
    <div className="h-48 overflow-hidden" aria-hidden="true">
      <ResponsiveContainer width="100%" height="100%">
        <LineChart
          accessibilityLayer={false}
          data={flat}
          margin={{ top: 12, right: 8, bottom: 0, left: -16 }}
        >
          <CartesianGrid vertical={false} stroke="var(--color-base-300)" />
          <XAxis dataKey="day" {...AXIS} minTickGap={24} />
          <YAxis
            {...AXIS}
            axisLine={false}
            allowDecimals={false}
            domain={[0, 'auto']}
            unit=" ms"
            width={68}
          />
          {shown.map(({ limb, color, dash }) => (
            <Line
              key={limb}
              dataKey={limb}
              connectNulls
              stroke={color}
              strokeWidth={2}
              {...(dash && { strokeDasharray: dash })}
              dot={{ r: 3, fill: color, strokeDasharray: '0' }}
              isAnimationActive={false}
            />
          ))}
        </LineChart>
      </ResponsiveContainer>
    </div>
  )
}
