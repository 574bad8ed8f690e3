/** How the staff is beamed: by beat to read the pulse, by group to read the cells. */
export function BeamChoice({
  beaming,
  onChoose,
}: {
  beaming: 'beat' | 'group'
  onChoose: (beaming: 'beat' | 'group') => void
}) {
  return (
    <fieldset className="flex flex-wrap items-center gap-2 text-sm">
      <legend className="sr-only">Beams</legend>
      <span className="text-(--quiet)">beams</span>
      {(['beat', 'group'] as const).map((choice) => (
        <button
          key={choice}
          type="button"
          aria-pressed={beaming === choice}
          className={`rounded-field px-2 py-1 ${beaming === choice ? 'bg-base-300 font-semibold' : 'hover:bg-base-200'}`}
          onClick={() => onChoose(choice)}
        >
          by {choice}
        </button>
      ))}
    </fieldset>
  )
}
