/** The beats of a bar as large figures, the one that sounds lit; a tap on them starts and stops. */
export function BigCount({
  beats,
  playing,
  onTap,
}: {
  beats: number
  playing: boolean
  onTap: () => void
}) {
  return (
    <button
      type="button"
      aria-label={playing ? 'Stop: tap the count' : 'Start: tap the count'}
      className="flex w-full cursor-pointer gap-2 sm:gap-4"
      onClick={onTap}
    >
      {Array.from({ length: beats }, (_, i) => (
        <span
          key={i}
          data-beat={i}
          className="flex min-w-0 grow items-center justify-center rounded-box bg-base-100 py-3 font-bold text-5xl data-now:bg-primary data-now:text-primary-content sm:text-8xl group-data-[phase=count-in]:text-(--quiet) group-data-[phase=count-in]:data-now:text-primary-content"
        >
          {i + 1}
        </span>
      ))}
    </button>
  )
}
