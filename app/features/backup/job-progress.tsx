/** How far a long piece of work is, and the way to cancel it. */
export function JobProgress({
  label,
  done,
  all,
  onCancel,
}: {
  label: string
  done: number
  all: number
  onCancel: () => void
}) {
  return (
    <div className="flex flex-wrap items-center gap-3 text-sm" role="status">
      <span>
        {label} {all > 0 ? `${done} of ${all}` : '…'}
      </span>
      <progress
        className="progress progress-primary w-40"
        aria-label={label}
        value={done}
        max={Math.max(1, all)}
      />
      <button type="button" className="btn btn-ghost btn-sm" onClick={onCancel}>
        Cancel
      </button>
    </div>
  )
}
