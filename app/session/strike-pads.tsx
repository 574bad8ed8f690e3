import { STRIKE_KEYS, type Strike } from './use-strikes'

/** A large pad for each limb, with the key that does the same. */
export function StrikePads({ onStrike }: { onStrike: Strike }) {
  return (
    <div className="grid grid-cols-4 gap-1.5">
      {STRIKE_KEYS.map(({ limb, name, key }) => (
        <button
          key={limb}
          type="button"
          className="flex h-16 touch-manipulation select-none flex-col items-center justify-center rounded-box border border-base-300 bg-base-100 text-sm active:bg-base-300"
          onPointerDown={(event) => onStrike({ stamp: event.timeStamp, limb, from: 'keys' })}
        >
          {name}
          <kbd className="font-mono text-(--quiet) text-xs">{key}</kbd>
        </button>
      ))}
    </div>
  )
}
