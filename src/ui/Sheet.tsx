import { later } from './later.tsx'
import type { SheetProps } from './SheetDialog.tsx'

const SheetDialog = later<SheetProps>(() => import('./SheetDialog.tsx').then((module) => module.SheetDialog))

/** A sheet over the page, nothing at all while it is closed. */
export function Sheet(props: SheetProps) {
  return props.open ? <SheetDialog {...props} /> : null
}
