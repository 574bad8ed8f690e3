import { configure } from '@testing-library/react'

// What is waited for comes when it comes: a guard against what hangs, as that of the tests themselves.
configure({ asyncUtilTimeout: 60_000 })
