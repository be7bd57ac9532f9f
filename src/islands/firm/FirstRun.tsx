import { policies, policyName, policyReason } from '../../core/wear/limits.ts'
import { island } from '../island.tsx'
import { send } from '../keep.ts'
import { Form } from '../records/Form.tsx'
import { typedText, wrongAt } from '../records/form-values.ts'
import { firmFields, firmRecord, usualFirm } from './firm-fields.ts'

/** The firm and its owner: all that is needed before the first machine. */
function FirstRun() {
  return (
    <Form
      fields={[
        { id: 'name', label: 'Your firm', half: true, paths: ['firm.name'] },
        { id: 'ownName', label: 'Your name', half: true, paths: ['owner.name'], autoComplete: 'name' },
        { id: 'initials', label: 'Initials', hint: 'as you sign', half: true, paths: ['owner.initials'] },
        {
          id: 'email',
          label: 'E-mail address',
          kind: 'email',
          half: true,
          paths: ['owner.email'],
          autoComplete: 'username',
        },
        {
          id: 'password',
          label: 'Password',
          hint: '10 characters or more',
          kind: 'password',
          half: true,
          paths: ['owner.password'],
          autoComplete: 'new-password',
        },
        ...firmFields.slice(1).map((field) => ({ ...field, paths: [`firm.${field.id}`] })),
        {
          id: 'policy',
          label: 'When to act',
          hint: 'practitioners disagree; each machine can have its own',
          kind: 'choice' as const,
          options: policies.map((policy): [string, string] => [
            policy,
            `${policyName[policy]}: ${policyReason[policy]}`,
          ]),
        },
      ]}
      values={{
        ...usualFirm(browserZone()),
        name: '',
        ownName: '',
        initials: '',
        email: '',
        password: '',
        policy: 'usual',
      }}
      save="Start the firm"
      onSave={async (values) => {
        const ownName = typedText(values, 'ownName')
        if (!typedText(values, 'name')) return wrongAt('name', 'is missing')
        if (!ownName) return wrongAt('ownName', 'is missing')
        const initials =
          typedText(values, 'initials') ||
          ownName
            .split(/\s+/)
            .map((word) => word[0])
            .join('')
            .slice(0, 4)
            .toUpperCase()
        const told = await send<object>('POST', '/api/first-run', {
          firm: firmRecord(values),
          policy: values.policy,
          owner: { name: ownName, initials, email: typedText(values, 'email'), password: String(values.password) },
        })
        if (told.ok) location.assign('/first-steps')
        return told
      }}
    />
  )
}

const browserZone = () => Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC'

export const FirstRunIsland = island(FirstRun)
