import type { Step } from '../../core/procedures/step.ts'
import { ActionField } from '../run/ActionField.tsx'
import { CadenceStrip } from '../run/CadenceStrip.tsx'
import { CautionBand } from '../run/CautionBand.tsx'
import type { RunMeasures } from '../run/DoseLine.tsx'

interface Props {
  step: Step
  measures: RunMeasures
}

/** Some seconds into the first stroke: on, and filling. */
const intoS = 3
const nothing = () => {}

/** A step as a run will show it, at half its size; nothing in it can be pressed. */
export function StepPreview({ step, measures }: Props) {
  const positionS = step.act === 'cadence' ? Math.min(intoS, step.onS / 2) : 0
  return (
    <div inert className="overflow-hidden border border-hair [zoom:0.5]" data-preview>
      <div className="flex min-h-[420px] flex-col">
        <ActionField
          step={step}
          measures={measures}
          keys={null}
          positionS={positionS}
          paused={false}
          sinceS={0}
          onAnswer={nothing}
          onValue={nothing}
          onPhoto={nothing}
        />
        {step.act === 'cadence' && <CadenceStrip step={step} positionS={positionS} />}
        {step.caution && <CautionBand caution={step.caution} />}
      </div>
    </div>
  )
}
