import { useEffect } from 'react'

/** Names the page in the browser's tabs and history: `Tightrope · Bench · Dime Stack`. */
export function usePageTitle(name: string, place: string): void {
  useEffect(() => {
    document.title = [name, place, 'Dime Stack'].filter(Boolean).join(' · ')
  }, [name, place])
}
