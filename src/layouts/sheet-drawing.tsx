import { renderToStaticMarkup } from 'react-dom/server'
import type { FoundLeft } from '../core/close-out/done-lines.ts'
import type { LeftSubject } from '../core/close-out/left-subjects.ts'
import { FoundLeftRule } from '../islands/leaving/FoundLeftRule.tsx'
import { WorkedDrawing } from '../islands/leaving/WorkedPath.tsx'
import { workedAt, workedLayout } from '../islands/leaving/worked-layout.ts'
import type { SheetDrawing } from '../services/papers/sheet-pdf.ts'

/** The colours of the screen by day, as a grey printer takes them too. */
const inks: Record<string, string> = {
  ink: '#10201e',
  second: '#4a5d5a',
  hair: '#c5d1ce',
  deep: '#0b4f59',
  tint: '#cfe5e7',
  water: '#1b7f8c',
  enamel: '#ffffff',
  page: '#ffffff',
  steam: '#7c86ad',
  'steam-in': '#e3e6f2',
  seal: '#c8321e',
  'seal-ink': '#a8260f',
  brass: '#a87b0a',
  chalk: '#d6cdb4',
  coffee: '#4b2e20',
  'coffee-in': '#8a5f49',
  'drain-in': '#e4ebe9',
  'beans-in': '#e8dccf',
  copper: '#a9542b',
}

/** A drawing of the screen as a file by itself: its colours said, its type that of the papers. */
const onPaper = (markup: string): string =>
  markup
    .replaceAll(/var\(--([\w-]+)\)/g, (_, name) => inks[name] ?? '#10201e')
    .replaceAll(/ (class|aria-[a-z]+|role)="[^"]*"/g, '')
    .replaceAll('<text ', '<text font-family="Archivo" ')

/** Where the work was done at a machine, as the screen draws it; null where nothing stands on its path. */
export function sheetDrawing(subject: LeftSubject): SheetDrawing | null {
  const worked = workedAt(subject)
  if (!subject.machineKind || worked.size === 0) return null
  const layout = workedLayout(subject.machineKind, new Set(subject.softened ? [] : ['softener']), worked)
  // Names stand above and below what they name, and beside the last of it.
  const [top, bottom, side] = [layout.top - 16, layout.bottom + 20, 46]
  const drawing = { ...layout, top, bottom }
  const markup = renderToStaticMarkup(<WorkedDrawing layout={drawing} worked={worked} names />)
  const width = layout.width + 2 * side
  return {
    svg: onPaper(markup).replace(/viewBox="[^"]*"/, `viewBox="${-side} ${top} ${width} ${bottom - top}"`),
    width,
    height: bottom - top,
    at: new Map(layout.on.map(({ station, at }) => [station.id, { x: at.x + side, y: at.y - top }])),
  }
}

/** Found against left, on the scale both stand on. */
export const sheetRule = (of: FoundLeft): string => onPaper(renderToStaticMarkup(<FoundLeftRule of={of} />))
