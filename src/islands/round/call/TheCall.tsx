import { useEffect } from 'react'
import { enoughQuestions } from '../../../core/faults/triage.ts'
import type { CallerMachine } from '../../../core/visits/caller-machine.ts'
import { dayFull, dayNear } from '../../../ui/format.ts'
import { KeyBar } from '../../../ui/KeyBar.tsx'
import { TitleBlock } from '../../../ui/TitleBlock.tsx'
import type { RingBack } from '../../../views/call-page.ts'
import { AsideNote } from '../../AsideNote.tsx'
import { fromPage } from '../../from-page.tsx'
import { AlreadyReported } from './AlreadyReported.tsx'
import { AskNow } from './AskNow.tsx'
import { CallEnds } from './CallEnds.tsx'
import { CallIsOver } from './CallIsOver.tsx'
import { CallStep } from './CallStep.tsx'
import { callFacts } from './call-facts.tsx'
import { urgencyReasons } from './call-words.ts'
import { HowUrgent } from './HowUrgent.tsx'
import type { KeptCall } from './kept-call.ts'
import { Meanwhile } from './Meanwhile.tsx'
import { RingBackList } from './RingBackList.tsx'
import { TakeAlong } from './TakeAlong.tsx'
import { useCall } from './use-call.ts'
import { useCallKeys } from './use-call-keys.ts'
import { useKeptCall } from './use-kept-call.ts'
import { WhatTheySay } from './WhatTheySay.tsx'
import { WhenToGo } from './WhenToGo.tsx'
import { WhichMachine } from './WhichMachine.tsx'
import { WhoRang } from './WhoRang.tsx'

interface Props {
  firm: { id: string; name: string; timeZone: string }
  me: { id: string; name: string }
  today: string
  /** The machine the page was opened for. */
  machine: CallerMachine | null
  /** The call that is rung back. */
  answered: RingBack | null
  ringBacks: RingBack[]
}

/** A call is taken: which machine, what they say, what to ask, what they can do, how urgent, when to go. */
function TheCall(props: Props) {
  const { machine, answered } = props
  const kept = useKeptCall(answered?.id ?? machine?.machineId ?? 'now', {
    machine,
    ...(answered && { answers: answered.id, text: answered.text, caller: answered.caller, phone: answered.phone }),
  })
  return kept.call ? (
    <Taking key={kept.call.startedAt} {...props} kept={kept} call={kept.call} />
  ) : (
    <p className="flex-1 bg-enamel p-6 text-second">One moment …</p>
  )
}

function Taking({
  firm,
  me,
  today,
  ringBacks,
  kept,
  call,
}: Props & { kept: ReturnType<typeof useKeptCall>; call: KeptCall }) {
  const { machine, search, text } = call
  const now = useCall(kept, call, { firmId: firm.id, today })
  const { here, known, writes, moments, level, danger, told } = now
  useCallKeys({
    moments: moments.length,
    level,
    isOff: writes.over !== null,
    onMoment: (n) => now.choose(moments[n]!),
    onUrgency: (urgency) => kept.change({ urgency }),
    onPut: now.chosen && now.canPut && !writes.busy ? () => now.put('agreed') : null,
  })
  // On a phone the places below leave the screen to the call.
  const isBusy = machine !== null && writes.over === null
  useEffect(() => {
    if (!isBusy) return
    document.documentElement.dataset.busy = 'calling'
    return () => {
      delete document.documentElement.dataset.busy
    }
  }, [isBusy])
  const asked = search?.seen.filter(({ said }) => said).length ?? 0
  if (writes.over) return <CallIsOver over={writes.over} machine={machine} today={today} onAnother={writes.anew} />
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <TitleBlock
        name={call.answers ? 'Ringing back' : 'A call'}
        under={`${dayFull(today)}, taken by ${me.name}`}
        facts={callFacts(here, call.caller, today)}
        action={
          machine || text || call.who ? (
            <button type="button" className="plain" onClick={writes.anew}>
              Begin anew
            </button>
          ) : undefined
        }
      />
      <AsideNote what="The call that was begun" why={kept.aside} />
      {!machine && !text && !call.who && (
        <RingBackList
          calls={ringBacks}
          today={today}
          timeZone={firm.timeZone}
          onTake={(back) => location.assign(`/round/call?answers=${back.id}`)}
        />
      )}
      <div className="flex min-w-0 flex-1 bg-enamel max-lg:flex-col">
        <ol className="m-0 min-w-0 flex-1 list-none p-0" aria-label="The call">
          <CallStep
            n={1}
            name="Who, which machine"
            aside="any words, a serial, their number"
            state={machine ? 'done' : 'now'}
          >
            <WhichMachine
              key={machine?.machineId ?? 'none'}
              machine={machine}
              text={call.who}
              onText={(who) => kept.change({ who })}
              onChoose={now.chooseMachine}
            />
            {now.failed && (
              <p role="alert" className="m-0 pt-1 text-[14px] font-semibold text-seal-ink">
                No connection: nothing is known of it here. Note it, and ring back.
              </p>
            )}
            <WhoRang call={call} here={here} onChange={kept.change} />
          </CallStep>
          <CallStep
            n={2}
            name="What they say"
            aside="in their words"
            state={search ? 'done' : machine ? 'now' : 'to come'}
          >
            {now.own?.fault && !call.isReported && (
              <AlreadyReported fault={now.own.fault} today={today} onGoOn={now.goOn} />
            )}
            <WhatTheySay
              book={now.book}
              text={text}
              symptom={search?.symptom ?? null}
              onText={now.onText}
              onSymptom={(symptom) => now.take(symptom, text)}
            />
            {known && !now.book && (
              <p className="m-0 pt-1 text-[14px] text-second">
                The faults of this kind are not written: their words go with whoever drives.
              </p>
            )}
          </CallStep>
          <CallStep
            n={3}
            name="Ask now"
            aside={
              search?.stop === 'none' && asked < enoughQuestions
                ? 'what is said is wrong one time in five, and weighed so'
                : undefined
            }
            state={!search ? 'to come' : asked >= enoughQuestions || danger ? 'done' : 'now'}
          >
            {search && now.now && now.book && known?.kind ? (
              <AskNow
                book={now.book}
                kind={known.kind}
                without={now.without}
                search={search}
                now={now.now}
                said={text}
                isHeld={now.isHeld}
                busy={writes.busy}
                onPress={now.press}
                onHold={() => void writes.hold()}
              />
            ) : (
              <p className="m-0 text-[14px] text-second">First of all what must stop, then what tells most.</p>
            )}
          </CallStep>
          <CallStep
            n={4}
            name="Meanwhile"
            aside="nobody is asked to open a machine"
            state={search?.stop === 'none' ? 'done' : 'to come'}
          >
            {search?.stop === 'none' && told && known?.kind ? (
              <Meanwhile
                safe={told.safe}
                symptoms={now.symptoms}
                kind={known.kind}
                others={now.beside.filter(({ isOut }) => !isOut)}
                busy={writes.busy}
                onCured={(word) => void writes.solved(word.name, word.fault)}
              />
            ) : (
              <p className="m-0 text-[14px] text-second">
                {danger
                  ? 'Only what stands above: nothing else is tried.'
                  : 'What they can safely do until somebody comes.'}
              </p>
            )}
          </CallStep>
          <CallStep n={5} name="How urgent" state={search ? 'done' : 'to come'}>
            {machine ? (
              <HowUrgent
                level={level}
                reckoned={now.urgency.level}
                reasons={urgencyReasons({
                  urgency: now.urgency,
                  takes: now.takes,
                  danger,
                  agreed: now.agreedOn ? dayNear(now.agreedOn, today) : 'none of these days',
                })}
                onSay={(said) => kept.change({ urgency: said })}
              />
            ) : (
              <p className="m-0 text-[14px] text-second">By what stops there, and what else they have.</p>
            )}
          </CallStep>
        </ol>
        <aside
          className="w-full shrink-0 border-hair bg-page max-lg:border-t lg:w-[440px] lg:border-l"
          aria-label="When to go, what to take"
        >
          <div className="flex flex-col lg:sticky lg:top-0 lg:max-h-[calc(100vh-112px)] lg:min-h-[560px] lg:overflow-y-auto">
            <WhenToGo
              {...now.looked}
              moments={moments}
              chosen={now.chosen}
              today={today}
              timeZone={firm.timeZone}
              me={me.id}
              lostPerDay={now.urgency.lostPerDay}
              minutes={now.minutes}
              isOpen={machine !== null}
              onChoose={now.choose}
              onMinutes={(typed) => kept.change({ minutes: typed })}
              onEnough={now.looked.stop}
            />
            {told && known?.kind && search?.stop === 'none' && (
              <TakeAlong kind={known.kind} parts={told.parts} covers={told.covers} />
            )}
            {writes.wrong && (
              <p role="alert" className="m-0 px-4 py-1 font-semibold text-seal-ink">
                {writes.wrong}
              </p>
            )}
            <CallEnds
              moment={now.chosen}
              busy={writes.busy}
              promised={now.promised}
              canPut={now.canPut}
              isAsked={now.isAsked || machine === null}
              canSolve={now.canPut && !danger}
              isRungBack={call.answers !== null}
              onPromised={now.setPromised}
              onPut={now.put}
              onSolved={() => void writes.solved('', null)}
              onRingBack={() => void writes.ringBack()}
              onDone={() => void writes.done()}
            />
          </div>
        </aside>
      </div>
      <KeyBar
        keys={[
          [['Tab'], 'next field'],
          [['↓'], 'next machine found'],
          [['a', 'b'], 'answer'],
          [['1', '2', '3'], 'moment'],
          [['←', '→'], 'how urgent'],
          [['Enter'], 'put it in'],
        ]}
      />
    </div>
  )
}

export const CallIsland = fromPage(TheCall)
