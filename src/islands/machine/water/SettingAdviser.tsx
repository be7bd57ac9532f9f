import { useState } from 'react'
import type { HardnessClass } from '../../../core/kinds/kind.ts'
import { hardnessSymbol, hardnessToMgL, mgLPer } from '../../../core/quantity/hardness.ts'
import { fromDay, toDay } from '../../../core/quantity/local-day.ts'
import { settingAdvice, usualClasses } from '../../../core/scale/setting-advice.ts'
import { nearestSetting } from '../../../core/standing/histories.ts'
import { litresADay } from '../../../core/standing/water-budget.ts'
import { nthOpenDay } from '../../../core/usage/first-passage.ts'
import { dayNear, figure } from '../../../ui/format.ts'
import { later } from '../../../ui/later.tsx'
import { Act, Part } from '../../../ui/Part.tsx'
import { firmUnit, quantity, quantityWords } from '../../../ui/quantity.ts'
import type { MachineBundle } from '../../../views/machine-bundle.ts'
import type { MachineWater } from './water-of.ts'

const HardnessSheet = later(() => import('./HardnessSheet.tsx').then((module) => module.HardnessSheet))

interface Props {
  bundle: MachineBundle
  water: MachineWater
  today: string
  onSaved: () => Promise<void>
}

/** Which of the machine's own hardness settings fits this water, and what its prompt then means. */
export function SettingAdviser({ bundle, water, today, onSaved }: Props) {
  const [open, setOpen] = useState(false)
  const { facts, chalk } = water
  const set = nearestSetting(facts.histories, 'hardness-setting')
  const classes: HardnessClass[] = set
    ? set.body.classes.map(({ upToDh, litres }) => ({ litres, ...(upToDh !== undefined && { upToDh }) }))
    : usualClasses[4]
  const { soft, likely, hard } = chalk.water.fed
  const dh = {
    low: soft.hardnessMgL / mgLPer.dH,
    value: likely.hardnessMgL / mgLPer.dH,
    high: hard.hardnessMgL / mgLPer.dH,
  }
  const perOpenDay = litresADay(facts.budget, facts.use)
  const advice = settingAdvice(classes, dh, perOpenDay)
  const chosen = set?.body.chosen ?? null
  const chalkDay = Math.min(...chalk.vessels.map((vessel) => vessel.dayAtLimit(0.5) ?? 1e9))
  const asks = (openDays: number | undefined) =>
    openDays === undefined ? null : nthOpenDay(facts.use.open, toDay(chalk.since), openDays)
  return (
    <Part
      title="Its hardness setting"
      action={<Act onClick={() => setOpen(true)}>{set ? 'Change' : 'Say what it offers'}</Act>}
    >
      <p className="m-0 text-[14px] text-second">
        This water has {hardnessWords(dh)}.{' '}
        {set ? '' : 'Settings as machines commonly have them, from memory: its booklet wins.'}
      </p>
      <table className="mt-1 w-full border-collapse text-[14px]">
        <thead>
          <tr className="slim text-left text-[13px] text-second">
            <th className="py-1 font-semibold">Setting</th>
            <th className="pl-3 font-semibold">Water up to</th>
            <th className="pl-3 text-right font-semibold">Asks after</th>
            <th className="pl-3 text-right font-semibold">Open days</th>
            <th className="pl-3 font-semibold">Fits</th>
          </tr>
        </thead>
        <tbody>
          {advice.classes.map((one, i) => {
            const best = i + 1 === advice.best
            const day = asks(one.openDays)
            return (
              <tr
                key={one.litres + (one.upToDh ?? 0)}
                className={`border-t border-hair ${best ? 'bg-copper-tint' : ''}`}
              >
                <td className="py-1 pl-1.5 font-semibold">
                  {i + 1}
                  {chosen === i + 1 && <span className="pl-2 text-[13px] text-second">set now</span>}
                </td>
                <td className="mono">
                  {one.upToDh === undefined ? 'harder' : quantityWords(one.upToDh, hardnessSymbol.dH)}
                </td>
                <td className="mono text-right">{quantityWords(one.litres, 'L')}</td>
                <td className="mono text-right">
                  {one.openDays === undefined ? '–' : figure(Math.round(one.openDays))}
                </td>
                <td className="pl-3">
                  {best ? (
                    <b>{chosen === i + 1 ? 'yes, as set' : 'yes: set this one'}</b>
                  ) : one.fits === 'maybe' ? (
                    'perhaps'
                  ) : (
                    ''
                  )}
                  {best && day !== null && chalkDay < 1e9 && (
                    <span className="block text-[13px] text-second">
                      {day <= chalkDay
                        ? `asks ${figure(chalkDay - day)} d before the chalk is at its limit`
                        : `asks ${figure(day - chalkDay)} d too late: the chalk is there ${dayNear(fromDay(chalkDay), today)}`}
                    </span>
                  )}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      {open && (
        <HardnessSheet
          bundle={bundle}
          today={today}
          classes={classes}
          chosen={chosen ?? advice.best}
          onClose={() => setOpen(false)}
          onSaved={onSaved}
        />
      )}
    </Part>
  )
}

function hardnessWords({ low, value, high }: { low: number; value: number; high: number }): string {
  const unit = firmUnit(hardnessSymbol.dH)
  const shown = (dh: number) => quantity(hardnessToMgL(dh, 'dH'), hardnessSymbol.mgL).value
  return high - low > 0.05
    ? `${shown(value)} ${unit} total hardness, ${shown(low)} to ${shown(high)}`
    : `${shown(value)} ${unit} total hardness`
}
