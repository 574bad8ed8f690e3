import type { Edit } from '~/workspace/edits/edits'

/**
 * What a control needs so that its offer is shown on the ruler while it is pointed at or focused.
 * It is worked out when
 * it is asked for. Example: `<button {...showing(onShow, () => edit)} onClick={() => onEdit(edit)}>`.
 */
export function showing(show: (edit: Edit | null) => void, edit: () => Edit | null) {
  const on = () => show(edit())
  const off = () => show(null)
  return { onPointerEnter: on, onPointerLeave: off, onFocus: on, onBlur: off }
}
