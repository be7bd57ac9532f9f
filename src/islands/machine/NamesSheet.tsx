import { useForm } from 'react-hook-form'
import type { Issue } from '../../core/parse/parse-strict.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'

interface Names {
  name: string
  maker: string
  model: string
  serial: string
}

const fields: [keyof Names, string][] = [
  ['name', 'Called'],
  ['maker', 'Maker'],
  ['model', 'Model'],
  ['serial', 'Serial number'],
]

/** Changes what a machine is called; somebody else's change meanwhile is not overwritten. */
export function NamesSheet({
  bundle,
  onClose,
  onSaved,
}: {
  bundle: MachineBundle
  onClose: () => void
  onSaved: () => Promise<void>
}) {
  const { name, maker, model, serial, version } = bundle.machine
  const form = useForm<Names>({ defaultValues: { name, maker, model, serial } })
  const { errors, isSubmitting } = form.formState
  const save = form.handleSubmit(async (names) => {
    try {
      const response = await fetch(`/api/machines/${bundle.machine.id}/names`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ version, names }),
      })
      if (response.ok) {
        await onSaved()
        onClose()
        return
      }
      for (const issue of ((await response.json()) as { issues: Issue[] }).issues) {
        const field = fields.find(([id]) => id === issue.path)
        form.setError(field ? field[0] : 'root', {
          message: `${field?.[1] ?? 'This machine'} ${issue.message}`,
        })
      }
    } catch {
      form.setError('root', { message: 'No connection: nothing was changed.' })
    }
  })
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && onClose()}
      title="Edit the machine"
      about={`${bundle.site.name}, ${bundle.site.area}. ${bundle.site.accessNote}`}
    >
      <form onSubmit={save} className="flex flex-col gap-3">
        {fields.map(([id, label]) => (
          <label key={id} className="flex flex-col gap-1">
            <span className="slim text-[14px]">{label}</span>
            <input
              className="field"
              aria-invalid={errors[id] ? 'true' : undefined}
              {...form.register(id, { required: `${label} must not be empty` })}
            />
            {errors[id] && (
              <span role="alert" className="text-[14px] font-semibold text-seal-ink">
                {errors[id].message}
              </span>
            )}
          </label>
        ))}
        {errors.root && (
          <p role="alert" className="m-0 font-semibold text-seal-ink">
            {errors.root.message}
          </p>
        )}
        <div className="flex gap-3">
          <button type="submit" className="act" disabled={isSubmitting}>
            Save
          </button>
          <button type="button" className="plain" onClick={onClose}>
            Leave as it is
          </button>
        </div>
      </form>
    </Sheet>
  )
}
