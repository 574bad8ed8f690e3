import { Link } from 'react-router'

/** What is said of a lick without a stroke. */
export function NothingYet({ id }: { id: string }) {
  return (
    <p className="p-8">
      There is nothing to practise yet.{' '}
      <Link className="link" to={`/bench/${id}`}>
        Type a sticking on the bench
      </Link>
      .
    </p>
  )
}
