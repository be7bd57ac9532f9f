import { Fragment, type ReactNode, useId } from 'react'
import { type FieldValues, type UseFormReturn, useForm } from 'react-hook-form'
import type { Issue } from '../../core/parse/parse-strict.ts'
import { AsRead, sayingOf } from '../../ui/NumberInput.tsx'
import type { Told } from '../send-once.ts'
import { type FieldSpec, readNumbers, readsOf, type Values } from './form-values.ts'

export interface FormProps {
  fields: FieldSpec[]
  values: Values
  save: string
  /** Sends what was typed. The form shows what the answer says is wrong, each at its field. */
  onSave: (values: Values) => Promise<Told<object>>
  onCancel?: () => void
  children?: ReactNode
}

const weekdays = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'].map((day, i) => [String(i + 1), day] as const)

/** A form of labelled fields: every complaint stands at its field, and nothing typed is lost. */
export function Form({ fields, values, save, onSave, onCancel, children }: FormProps) {
  const form = useForm<Values>({ defaultValues: values })
  const { errors, isSubmitting } = form.formState
  const submit = form.handleSubmit(async (typed) => {
    const { values: read, wrong } = readNumbers(fields, typed, values)
    if (wrong.length > 0) {
      for (const { id, message } of wrong) form.setError(id, { message })
      return form.setFocus(wrong[0]!.id)
    }
    const told = await onSave(read)
    if (told.ok) return
    for (const issue of told.issues) {
      const field = fields.find(({ id, paths }) => id === issue.path || paths?.includes(issue.path))
      form.setError(field ? field.id : 'root', {
        message: field ? `${field.label} ${issue.message}` : wholeWords(issue),
      })
    }
    const first = fields.find(({ id, paths }) => told.issues.some(({ path }) => id === path || paths?.includes(path)))
    if (first) form.setFocus(first.id)
  })
  return (
    <form onSubmit={submit} noValidate className="flex flex-col gap-3">
      <div className="grid gap-x-4 gap-y-3 md:grid-cols-2">
        {fields.map((field) => (
          <Fragment key={field.id}>
            {field.head && <h3 className="head m-0 pt-1 md:col-span-2">{field.head}</h3>}
            <div className={`min-w-0 ${field.half ? '' : 'md:col-span-2'}`}>
              <Field
                spec={field}
                form={form as unknown as UseFormReturn<FieldValues>}
                own={String(values[field.id] ?? '')}
              />
              {errors[field.id] && (
                <p role="alert" className="m-0 text-[14px] font-semibold text-seal-ink">
                  {String(errors[field.id]?.message)}
                </p>
              )}
            </div>
          </Fragment>
        ))}
      </div>
      {children}
      {errors.root && (
        <p role="alert" className="m-0 font-semibold text-seal-ink">
          {errors.root.message}
        </p>
      )}
      <div className="sheet-foot flex flex-wrap gap-3">
        <button type="submit" className="act" disabled={isSubmitting}>
          {isSubmitting ? 'Saving …' : save}
        </button>
        {onCancel && (
          <button type="button" className="plain" onClick={onCancel}>
            Leave as it is
          </button>
        )}
      </div>
    </form>
  )
}

/** A message that names no field of this form: said whole, with what it is about. */
const wholeWords = ({ path, message }: Issue) =>
  /^[A-Z]/.test(message)
    ? message
    : `${
        path
          .replace(/^body\./, '')
          .replace(/([A-Z])/g, ' $1')
          .toLowerCase() || 'This'
      } ${message}`

function Field({ spec, form, own: before }: { spec: FieldSpec; form: UseFormReturn<FieldValues>; own: string }) {
  const { id, label, hint, kind = 'line', options = [], unit, rows = 2 } = spec
  const wrong = form.formState.errors[id] ? true : undefined
  const name = (
    <span className="slim text-[14px]">
      {label} {hint && <span className="font-normal text-second">{hint}</span>}
    </span>
  )
  const register = form.register(id)
  // Two forms on one page may have a field of the same name.
  const own = useId()
  if (kind === 'tick')
    return (
      <label className="flex min-h-[44px] items-center gap-2">
        <input type="checkbox" className="h-5 w-5" {...form.register(id)} />
        <span>
          {label} {hint && <span className="text-[14px] text-second">{hint}</span>}
        </span>
      </label>
    )
  if (kind === 'weekdays' || kind === 'several')
    return (
      <fieldset className="m-0 border-0 p-0">
        <legend>{name}</legend>
        <div className={kind === 'several' ? 'grid grid-cols-2 gap-x-3' : 'flex flex-wrap gap-x-1'}>
          {(kind === 'several' ? options : weekdays).map(([value, words]) => (
            <label key={value} className="flex min-h-[44px] items-center gap-1.5 pr-2 leading-tight">
              <input type="checkbox" className="h-5 w-5 shrink-0" value={value} {...form.register(id)} />
              {words}
            </label>
          ))}
        </div>
      </fieldset>
    )
  return (
    <label className="flex flex-col gap-0.5" htmlFor={own}>
      {name}
      {kind === 'text' ? (
        <textarea id={own} className="field" rows={rows} aria-invalid={wrong} {...register} />
      ) : kind === 'choice' ? (
        <select id={own} className="field w-full" aria-invalid={wrong} {...register}>
          {options.map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </select>
      ) : (
        <span className="flex items-center gap-2">
          <input
            id={own}
            className={`field min-w-0 flex-1 ${['number', 'digits', 'day'].includes(kind) ? 'mono' : ''}`}
            type={kind === 'day' ? 'date' : kind === 'email' ? 'email' : kind === 'password' ? 'password' : 'text'}
            inputMode={
              kind === 'number'
                ? spec.reads?.whole
                  ? 'numeric'
                  : 'decimal'
                : kind === 'digits'
                  ? 'numeric'
                  : undefined
            }
            autoComplete={spec.autoComplete ?? 'off'}
            aria-invalid={wrong}
            {...(kind === 'number' && { 'aria-describedby': `${own}-read` })}
            {...(kind === 'zone' && { list: `${own}-zones` })}
            {...register}
          />
          {kind === 'zone' && (
            <datalist id={`${own}-zones`}>
              {Intl.supportedValuesOf('timeZone').map((zone) => (
                <option key={zone} value={zone} />
              ))}
            </datalist>
          )}
          {unit && <span className="text-second">{unit}</span>}
        </span>
      )}
      {kind === 'number' && !wrong && (
        <AsRead
          id={`${own}-read`}
          said={sayingOf(String(form.watch(id) ?? ''), { ...readsOf(spec), own: before })}
          onChoose={(text) => form.setValue(id, text)}
        />
      )}
    </label>
  )
}
