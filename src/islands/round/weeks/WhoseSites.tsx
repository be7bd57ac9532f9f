import type { WeeksAhead } from '../../../views/weeks-ahead.ts'

type Whose = NonNullable<WeeksAhead['whose']>

export const nameOf = ({ technicianId, all }: Whose): string => all.find(({ id }) => id === technicianId)?.name ?? ''

/** In a firm of many sites: whose are looked at. */
export function WhoseSites({ whose }: { whose: Whose }) {
  return (
    <label className="flex items-center gap-2">
      <span className="text-second">Sites of</span>
      <select
        className="field min-h-[44px] min-w-0"
        value={whose.technicianId}
        onChange={({ target: { value } }) => location.assign(`/round/weeks?who=${value}`)}
      >
        {whose.all.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  )
}
