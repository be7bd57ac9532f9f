import { listsAround, type PlaceId, places } from './lists.ts'

/** The name of the application, as it stands at the head of every page. */
export const NameMark = () => (
  <a href="/round" className="mr-5 flex items-center gap-2 lg:mr-8">
    <svg width="28" height="24" viewBox="0 0 28 24" aria-hidden="true">
      <path d="M5 6.5c0 8 4 12 9 12s9-4 9-12" fill="none" stroke="var(--deep)" strokeWidth="2.2" />
      <path d="M0.5 9.5H27.5" stroke="var(--copper)" strokeWidth="2.2" />
      <path d="M9.5 22h9" stroke="var(--deep)" strokeWidth="2.2" />
    </svg>
    <span className="text-[18px] font-[680] max-[380px]:sr-only">Even Shot</span>
  </a>
)

/** Places in the head of a page, where there is room. */
export const PlacesAbove = ({ at }: { at?: PlaceId }) => (
  <nav aria-label="Places" className="hidden items-stretch gap-1 md:flex">
    {places.map(({ id, name, href }) => (
      <a
        key={id}
        href={href}
        aria-current={id === at ? 'page' : undefined}
        className={`flex items-center border-b-[3px] px-3 pt-[3px] ${id === at ? 'border-copper font-semibold' : 'border-transparent text-second hover:text-ink'}`}
      >
        {name}
      </a>
    ))}
  </nav>
)

/** The same on a phone, where the thumb is. */
export const PlacesBelow = ({ at }: { at?: PlaceId }) => (
  <nav
    aria-label="Places"
    className="[@media(max-height:520px)]:static fixed inset-x-0 bottom-0 z-30 flex h-[60px] border-t border-hair bg-enamel md:hidden"
    data-noprint
  >
    {places.map(({ id, name, href }) => (
      <a
        key={id}
        href={href}
        aria-current={id === at ? 'page' : undefined}
        className={`flex flex-1 items-center justify-center border-t-[3px] ${id === at ? 'border-copper font-semibold' : 'border-transparent text-second'}`}
      >
        {name}
      </a>
    ))}
  </nav>
)

/** Lists that stand together with this one. */
export function ListsBar({ section }: { section: string }) {
  const lists = listsAround(section)
  if (lists.length === 0) return null
  return (
    <nav
      aria-label="Lists"
      className="flex overflow-x-auto border-b border-hair bg-enamel px-2 text-[14px] lg:px-4"
      data-noprint
    >
      {lists.map(({ id, name, href }) => (
        <a key={id} href={href} aria-current={id === section ? 'page' : undefined} className="beside">
          {name}
        </a>
      ))}
    </nav>
  )
}
