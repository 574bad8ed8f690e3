/** The version of the format that is read and written. */
export const FORMAT_VERSION = 1
export const FORMAT_VERSION_NAME = String(FORMAT_VERSION)
