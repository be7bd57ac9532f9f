import { useState } from 'react'
import { later } from '../../ui/later.tsx'
import type { MachineMenuProps } from './MachineMenu.tsx'

const MachineMenu = later<MachineMenuProps>(
  () => import('./MachineMenu.tsx').then((module) => module.MachineMenu),
  () => <Closed />,
)

/** Opens what else can be done with a machine; the menu itself comes with the first press. */
export function ChangeButton(props: MachineMenuProps) {
  const [opened, setOpened] = useState(false)
  return opened ? <MachineMenu {...props} /> : <Closed onClick={() => setOpened(true)} />
}

function Closed({ onClick }: { onClick?: () => void }) {
  return (
    <button
      type="button"
      aria-haspopup="menu"
      aria-expanded={false}
      className="plain whitespace-nowrap"
      onClick={onClick}
    >
      Change
    </button>
  )
}
