import { Component, type ReactNode } from 'react'

interface LoadBoundaryProps {
  /** What it is that could not be loaded, as `This panel`. */
  readonly what: string
  readonly children: ReactNode
}

/** A part of the page that is fetched when it is needed: where that fails, it says so in its place. */
export class LoadBoundary extends Component<LoadBoundaryProps, { readonly failed: boolean }> {
  override state = { failed: false }

  static getDerivedStateFromError() {
    return { failed: true }
  }

  override render() {
    if (!this.state.failed) return this.props.children
    return (
      <p role="alert" className="text-sm">
        {this.props.what} couldn’t be loaded. Everything else works as before.{' '}
        <button type="button" className="link" onClick={() => location.reload()}>
          Reload the page
        </button>
      </p>
    )
  }
}
