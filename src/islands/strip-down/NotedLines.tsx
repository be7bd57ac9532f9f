import { type NotedBefore, notedOf } from '../../core/strip-down/noted-before.ts'
import { dayLong } from '../../ui/format.ts'

/** With the machine it was noted on. */
export type Noted = NotedBefore & { machine: string }

/** What earlier sheets say of a thing: what, on which machine, when. */
export function NotedLines({ noted, thing }: { noted: Noted[]; thing: string }) {
  return notedOf(noted, thing).map((one) => (
    <span key={one.note} className="block text-[14px]">
      <b className="font-semibold">Noted before:</b> {one.note}{' '}
      <span className="text-second">
        {one.machine}, {dayLong(one.on)}
      </span>
    </span>
  ))
}
