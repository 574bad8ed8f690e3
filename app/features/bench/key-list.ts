/** The keys of the bench, in the words of the hotkeys library. */
export const KEYS_OF = {
  undo: 'mod+z',
  redo: 'mod+shift+z, mod+y',
  faster: '+, =, shift+=',
  slower: '-',
  help: '?, shift+?',
  line: 'alt+l',
  leave: 'escape',
  ruler: 'alt+k',
  widen: 'alt+w',
  startEarlier: 'alt+comma',
  startLater: 'alt+period',
} as const
