import type { StepCaution } from '../../core/procedures/step.ts'

/** Where the hand is about to be: striped edge, sign, the one line. */
export function CautionBand({ caution, small = false }: { caution: StepCaution; small?: boolean }) {
  return (
    <section aria-label="Caution" className="bg-enamel">
      <div
        aria-hidden="true"
        className={`${small ? 'h-1' : 'h-2'} bg-[repeating-linear-gradient(135deg,var(--brass)_0_14px,var(--enamel)_14px_28px)]`}
      />
      <div className={`flex items-center ${small ? 'gap-3 px-3 py-1.5' : 'gap-4 px-4 py-3 lg:px-6'}`}>
        <svg
          width={62}
          height={56}
          viewBox="0 0 62 56"
          className={`shrink-0 ${small ? 'h-[30px] w-[34px]' : 'max-md:w-[44px]'}`}
          aria-hidden="true"
        >
          <path d="M31 3L59 53H3z" fill="none" stroke="var(--ink)" strokeWidth={2.5} strokeLinejoin="round" />
          <path d="M31 19v18" stroke="var(--ink)" strokeWidth={5} strokeLinecap="round" />
          <circle cx={31} cy={45} r={3} fill="var(--ink)" />
        </svg>
        <p className="m-0">
          <b className={`block leading-tight font-[640] ${small ? 'text-[15px]' : 'text-[clamp(18px,2vw,25px)]'}`}>
            {caution.say}
          </b>
          {caution.how && (
            <span className={`text-second ${small ? 'text-[14px]' : 'text-[clamp(15px,1.5vw,18px)]'}`}>
              {caution.how}
            </span>
          )}
        </p>
      </div>
    </section>
  )
}
