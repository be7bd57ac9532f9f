import { sheetsForPart } from '../../core/strip-down/sheet-for.ts'

/** The strip-down sheets a part comes off on. */
export function SheetLinks({ part, kind, machineId }: { part: string; kind: string; machineId: string }) {
  return sheetsForPart(part, kind).map(({ id, name }) => (
    <p key={id} className="m-0 pt-2">
      <a className="word inline-flex min-h-[44px] items-center" href={`/machines/${machineId}/strip-down?of=${id}`}>
        Strip-down sheet: {name.toLowerCase()}
      </a>
    </p>
  ))
}
