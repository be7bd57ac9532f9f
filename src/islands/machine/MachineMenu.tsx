import { DropdownMenu } from 'radix-ui'
import type { MachineBundle } from '../../views/machine-bundle.ts'

/** What opens over a machine's page. */
export type MachineSheet = 'names' | 'move' | 'stage' | 'options' | 'habits' | 'prompts' | 'ages' | 'kind' | 'papers'

export interface MachineMenuProps {
  /** Some of its kind differ from others. */
  hasOptions: boolean
  bundle: MachineBundle
  onOpen: (what: MachineSheet) => void
}

const item = 'flex min-h-[44px] items-center gap-2 px-3 outline-none data-[highlighted]:bg-copper-tint cursor-default'

/** What else can be done with a machine, besides an entry; open when it first comes. */
export function MachineMenu({ bundle, hasOptions, onOpen }: MachineMenuProps) {
  const go = (href: string) => () => location.assign(href)
  return (
    <DropdownMenu.Root defaultOpen>
      <DropdownMenu.Trigger className="plain whitespace-nowrap">Change</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={6}
          className="z-50 min-w-[230px] border border-deep bg-enamel p-1 text-[15px] text-ink"
        >
          <DropdownMenu.Item className={item} onSelect={() => onOpen('names')}>
            Edit names and numbers
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => onOpen('move')}>
            Move, or change water treatment
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => onOpen('kind')}>
            What it is: kind, groups, taken on
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => onOpen('papers')}>
            Papers: whose it is, plate, warranty
          </DropdownMenu.Item>
          {hasOptions && (
            <DropdownMenu.Item className={item} onSelect={() => onOpen('options')}>
              What it has, by revision
            </DropdownMenu.Item>
          )}
          <DropdownMenu.Item className={item} onSelect={() => onOpen('ages')}>
            What is known of its ages
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => onOpen('habits')}>
            How it is used
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => onOpen('stage')}>
            Stand still, workshop, winterise, retire
          </DropdownMenu.Item>
          <DropdownMenu.Separator className="my-1 h-px bg-hair" />
          <DropdownMenu.Item className={item} onSelect={go(`/visits?machineId=${bundle.machine.id}`)}>
            Its visits
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={go(`/api/machines/${bundle.machine.id}/passport.zip`)}>
            Its passport, with photos
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={go(`/api/machines/${bundle.machine.id}/passport.pdf`)}>
            Its passport on paper
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => window.print()}>
            Print
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
