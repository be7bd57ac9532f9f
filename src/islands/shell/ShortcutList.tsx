import { Key } from '../../ui/Key.tsx'
import { Sheet } from '../../ui/Sheet.tsx'

const lists: { where: string; keys: [string[], string][] }[] = [
  {
    where: 'Everywhere',
    keys: [
      [['Ctrl K'], 'find'],
      [['/'], 'find'],
      [['g', 'r'], 'go to the Round'],
      [['g', 'm'], 'go to Machines'],
      [['g', 'w'], 'go to the Water bench'],
      [['g', 'p'], 'go to Procedures'],
      [['?'], 'this list'],
    ],
  },
  {
    where: 'Round and machine',
    keys: [
      [['j'], 'next row'],
      [['k'], 'row before'],
      [['Enter'], 'open the machine'],
      [['w'], 'working, as a sheet'],
      [['n'], 'new entry'],
      [['f'], 'change a word of the first line'],
    ],
  },
  {
    where: 'Machine',
    keys: [
      [['1'], 'wear'],
      [['2'], 'water'],
      [['3'], 'work'],
      [['4'], 'fault'],
      [['5'], 'ledger'],
    ],
  },
  {
    where: 'New entry',
    keys: [
      [['Tab'], 'next field'],
      [['Ctrl', 'Enter'], 'save the entry'],
      [['a … z'], 'tick the task with that letter'],
    ],
  },
]

/** Every key there is; each has a button too. */
export function ShortcutList({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Sheet open={open} onOpenChange={onOpenChange} title="Keys" about="Every key has a button as well.">
      <div className="grid gap-5 md:grid-cols-2">
        {lists.map(({ where, keys }) => (
          <section key={where}>
            <h3 className="slim m-0 mb-1 text-[14px] text-second">{where}</h3>
            {keys.map(([combination, what]) => (
              <div key={what + combination.join()} className="flex items-center gap-2 border-t border-hair py-1.5">
                <span className="flex w-[92px] gap-1">
                  {combination.map((key) => (
                    <Key key={key}>{key}</Key>
                  ))}
                </span>
                <span>{what}</span>
              </div>
            ))}
          </section>
        ))}
      </div>
    </Sheet>
  )
}
