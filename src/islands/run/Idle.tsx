import { runningClock } from './clock-words.ts'

/** Nothing for the hands: what is waited for, large. */
export function Idle({ what, how, leftS }: { what: string; how?: string; leftS: number }) {
  return (
    <div className="flex min-h-[300px] flex-1 flex-col justify-center bg-enamel px-4 py-5 lg:px-6">
      <p className="m-0 text-[22px] text-second">Nothing for the hands</p>
      <p className="m-0 text-[clamp(30px,5vw,60px)] leading-[1.02] font-[660] [font-stretch:90%]">{what}</p>
      <p className="mono m-0 text-[clamp(80px,14vw,180px)] leading-none font-semibold">{runningClock(leftS)}</p>
      {how && <p className="m-0 mt-2 text-[20px] text-second">{how}</p>}
    </div>
  )
}
