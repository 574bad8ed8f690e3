declare module 'verovio/wasm' {
  export default function createVerovioModule(): Promise<unknown>
}

declare module 'verovio/esm' {
  /** What sounds from a time on: the notes that begin there, in quarters from the first bar. */
  interface TimemapEntry {
    readonly qstamp: number
    readonly on?: readonly string[]
  }
  export class VerovioToolkit {
    constructor(module: unknown)
    loadData(data: string): boolean
    setOptions(options: object): void
    renderToTimemap(options: object): readonly TimemapEntry[]
    getLog(): string
  }
}
