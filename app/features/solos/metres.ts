/** The metres that a solo and its parts are offered in; a lick keeps its own. */
export const METRES = ['4/4', '3/4', '2/4', '5/4', '6/8', '7/8', '9/8', '12/8']
