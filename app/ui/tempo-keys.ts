/**
 * The key for faster, wherever a keyboard has it: on its own, with Shift, or on the number pad; `=` where it is the
 * same key. For the hotkeys library, which joins keys by a plus sign unless it is told of another: with `BY_SIGN`.
 */
export const FASTER = ['+', 'shift#+', '=']
export const SLOWER = '-'
/** Keys that are told by the sign on them, wherever it is on the keyboard. */
export const BY_SIGN = { useKey: true, splitKey: '#' }
