import type { StationSymbol } from '../../core/kinds/kind.ts'
import { symbols } from './symbols.tsx'

/** One station by itself, as it stands in the drawing: of what is being asked. */
export const StationPicture = ({ symbol }: { symbol: StationSymbol }) => (
  <svg className="picture" viewBox="-72 -72 144 144" aria-hidden="true">
    {symbols[symbol]}
  </svg>
)
