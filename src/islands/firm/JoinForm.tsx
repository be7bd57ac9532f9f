import { island } from '../island.tsx'
import { send } from '../keep.ts'
import { Form } from '../records/Form.tsx'
import { typedText } from '../records/form-values.ts'

/** Follows a one-time link: an address and a password to join, a password alone to choose a new one. */
function JoinForm({ token, purpose }: { token: string; purpose: 'join' | 'reset' }) {
  return (
    <Form
      fields={[
        ...(purpose === 'join'
          ? [{ id: 'email', label: 'E-mail address', kind: 'email' as const, autoComplete: 'username' }]
          : []),
        {
          id: 'password',
          label: 'Password',
          hint: '10 characters or more',
          kind: 'password',
          autoComplete: 'new-password',
        },
      ]}
      values={{ email: '', password: '' }}
      save={purpose === 'join' ? 'Join' : 'Set the password'}
      onSave={async (values) => {
        const told = await send<{ next: string }>('POST', `/api/join/${token}`, {
          ...(purpose === 'join' && { email: typedText(values, 'email') }),
          password: String(values.password),
        })
        if (told.ok) location.assign(told.next)
        return told
      }}
    />
  )
}

export const JoinFormIsland = island(JoinForm)
