interface Props {
  groups: number[]
  /** Groups it is not done at this time. */
  leftOut: Set<number>
  onToggle: (group: number) => void
}

/** At which groups it is done this time. */
export function AtWhichGroups({ groups, leftOut, onToggle }: Props) {
  return (
    <fieldset className="m-0 mt-4 flex flex-wrap items-center gap-x-6 border-0 p-0">
      <legend className="head p-0">At which groups</legend>
      {groups.map((group) => (
        <label key={group} className="flex min-h-[48px] items-center gap-3">
          <input
            type="checkbox"
            className="h-6 w-6 shrink-0"
            checked={!leftOut.has(group)}
            onChange={() => onToggle(group)}
          />
          group {group}
        </label>
      ))}
    </fieldset>
  )
}
