import type * as VexFlowCore from 'vexflow/core'

/** The engraving library as it is once it has been fetched. */
export type VexFlowModule = typeof VexFlowCore
