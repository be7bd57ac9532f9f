import { labelSizes } from '../../core/papers/label-sizes.ts'

interface Props {
  label: string
  size: string
  onSize: (size: string) => void
}

/** What a label is printed on: a sheet, or the rolls of label printers. */
export function LabelSize({ label, size, onSize }: Props) {
  return (
    <label className="flex flex-col gap-0.5">
      <span className="slim text-[14px]">{label}</span>
      <select className="field" value={size} onChange={(event) => onSize(event.target.value)}>
        {labelSizes.map((one) => (
          <option key={one.id} value={one.id}>
            {one.name}
          </option>
        ))}
      </select>
    </label>
  )
}
