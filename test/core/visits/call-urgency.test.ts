import { expect } from 'chai'
import fc from 'fast-check'
import { bestMoments, lostTill, momentCost, type WeighedMoment } from '../../../src/core/visits/best-moments.ts'
import { callUrgency, lostUntil, urgencies } from '../../../src/core/visits/call-urgency.ts'

const rate = fc.option(fc.integer({ min: 0, max: 400 }), { nil: null })
const machines = fc.array(fc.record({ perDay: rate, isOut: fc.boolean() }), { maxLength: 4 })

describe('how urgent a call is', () => {
  it('counts the drinks that stop, less what another machine there can make besides', () => {
    const told = callUrgency({ takes: 'all', here: { perDay: 58 }, beside: [{ perDay: 12 }] })
    expect(told).to.deep.equal({ level: 'stands-still', lostPerDay: 46, ofPerDay: 70, takenOver: 12, isSmall: false })
  })

  it('lets it wait where the coffee only is not as it should be, unless something must stop', () => {
    const of = { here: { perDay: 300 }, beside: [] }
    expect(callUrgency({ takes: 'quality', ...of }).level).to.equal('can-wait')
    expect(callUrgency({ takes: 'quality', ...of, isDanger: true })).to.include({
      level: 'stands-still',
      lostPerDay: 300,
    })
  })

  it('helps nobody with a machine that is out of use as well', () => {
    const beside = [{ perDay: 60, isOut: true }]
    expect(callUrgency({ takes: 'all', here: { perDay: 60 }, beside }).level).to.equal('stands-still')
    expect(callUrgency({ takes: 'all', here: { perDay: 60 }, beside: [{ perDay: 60 }] }).level).to.equal('drink-short')
  })

  it('says that it does not know where no counter was read twice', () => {
    const told = callUrgency({ takes: 'all', here: { perDay: null }, beside: [] })
    expect(told).to.include({ lostPerDay: null, ofPerDay: null, level: 'stands-still' })
    expect(callUrgency({ takes: null, here: { perDay: 40 }, beside: [] })).to.include({
      lostPerDay: null,
      level: 'drink-short',
    })
  })

  it('calls it no stand of trade where nobody lives by so few', () => {
    expect(callUrgency({ takes: 'all', here: { perDay: 9 }, beside: [] })).to.include({
      level: 'drink-short',
      isSmall: true,
    })
  })

  it('is never less urgent for what stops more, nor for fewer machines that help', () => {
    fc.assert(
      fc.property(rate, machines, (perDay, beside) => {
        const level = (takes: 'all' | 'some' | 'quality', those = beside) =>
          urgencies.indexOf(callUrgency({ takes, here: { perDay }, beside: those }).level)
        expect(level('all')).to.be.at.least(level('some'))
        expect(level('some')).to.be.at.least(level('quality'))
        const { lostPerDay, ofPerDay } = callUrgency({ takes: 'all', here: { perDay }, beside })
        if (lostPerDay !== null) expect(lostPerDay).to.be.within(0, ofPerDay!)
        const out = beside.map((one) => ({ ...one, isOut: true }))
        expect(level('all', out)).to.be.at.least(level('all'))
      }),
    )
  })
})

describe('drinks that are not made till somebody comes', () => {
  it('adds up the rest of today, whole days between, and the morning of the day', () => {
    // 07:00 to 18:00: 60 a day are 60 / 11 an hour.
    const hour = 60 / 11
    expect(lostUntil(60, { nowMin: 480, openDays: 0, openToday: true, isOpen: true, beginMin: 540 })).to.be.closeTo(
      hour,
      1e-9,
    )
    expect(lostUntil(60, { nowMin: 480, openDays: 1, openToday: true, isOpen: true, beginMin: 480 })).to.be.closeTo(
      60,
      1e-9,
    )
    expect(lostUntil(60, { nowMin: 480, openDays: 3, openToday: true, isOpen: true, beginMin: 420 })).to.be.closeTo(
      180 - hour,
      1e-9,
    )
  })

  it('loses nothing at night, and nothing of a day on which the place is shut', () => {
    expect(lostUntil(60, { nowMin: 1200, openDays: 1, openToday: true, isOpen: true, beginMin: 420 })).to.equal(0)
    expect(lostUntil(60, { nowMin: 480, openDays: 0, openToday: true, isOpen: false, beginMin: 900 })).to.equal(0)
    // Shut today: of the day it opens nothing has been made yet.
    expect(lostUntil(60, { nowMin: 900, openDays: 1, openToday: false, isOpen: true, beginMin: 420 })).to.equal(60)
  })

  it('grows with the wait', () => {
    fc.assert(
      fc.property(fc.nat(1439), fc.nat(9), fc.nat(1439), fc.nat(600), (nowMin, openDays, beginMin, more) => {
        const lost = (minute: number, days = openDays) =>
          lostUntil(80, { nowMin, openDays: days, openToday: true, isOpen: true, beginMin: minute })
        expect(lost(Math.min(1439, beginMin + more))).to.be.at.least(lost(beginMin) - 1e-9)
        expect(lost(beginMin, openDays + 1)).to.be.at.least(lost(beginMin) - 1e-9)
      }),
    )
  })
})

describe('the best moments', () => {
  const moment = (more: Partial<WeighedMoment>): WeighedMoment => ({
    technicianId: 'ines',
    dayAfter: 0,
    detourMin: 20,
    beginMin: 600,
    out: null,
    isOther: false,
    knowsKind: true,
    openDays: 0,
    openToday: true,
    isOpen: true,
    ...more,
  })

  it('goes sooner where trade stands still, and the cheaper way where it can wait', () => {
    const soon = moment({ detourMin: 45 })
    const cheap = moment({ dayAfter: 3, detourMin: 2 })
    expect(bestMoments([cheap, soon], { urgency: 'stands-still', nowMin: 460 })[0]).to.equal(soon)
    expect(bestMoments([cheap, soon], { urgency: 'can-wait', nowMin: 460 })[0]).to.equal(cheap)
  })

  it('offers choices, not one thing three times', () => {
    const alike = [600, 620, 640, 660].map((beginMin) => moment({ beginMin }))
    const late = moment({ beginMin: 900, detourMin: 40 })
    const hers = moment({ technicianId: 'odile', isOther: true })
    expect(bestMoments([...alike, late, hers], { urgency: 'drink-short', nowMin: 460 })).to.deep.equal([
      alike[0],
      hers,
      late,
    ])
  })

  it('rather sends who knows the kind, unless trade stands still and they are far', () => {
    const knows = moment({ technicianId: 'odile', detourMin: 50 })
    const novice = moment({ knowsKind: false })
    expect(bestMoments([novice, knows], { urgency: 'can-wait', nowMin: 460 })[0]).to.equal(knows)
    const tomorrow = { ...knows, dayAfter: 1 }
    expect(bestMoments([novice, tomorrow], { urgency: 'stands-still', nowMin: 460 })[0]).to.equal(novice)
  })

  it('is never without one where there is one, the cheapest first', () => {
    const any = fc.record({
      technicianId: fc.constantFrom('ines', 'odile'),
      dayAfter: fc.nat(9),
      detourMin: fc.nat(90),
      beginMin: fc.integer({ min: 420, max: 1000 }),
      out: fc.constantFrom(null, { name: 'A bakery' }),
      isOther: fc.boolean(),
      knowsKind: fc.boolean(),
      openDays: fc.nat(9),
      openToday: fc.boolean(),
      isOpen: fc.boolean(),
    })
    fc.assert(
      fc.property(fc.array(any, { minLength: 1, maxLength: 30 }), fc.constantFrom(...urgencies), (all, urgency) => {
        const found = bestMoments(all, { urgency, nowMin: 460 })
        const cost = (one: WeighedMoment) => momentCost(one, urgency, 460)
        expect(found.length).to.be.within(1, 3)
        expect(cost(found[0]!)).to.equal(Math.min(...all.map(cost)))
        expect(found.map(cost)).to.deep.equal(found.map(cost).sort((a, b) => a - b))
      }),
    )
  })

  it('tells no drinks where nobody knows how many are lost', () => {
    expect(lostTill(moment({}), null, 460)).to.equal(null)
    expect(lostTill(moment({ beginMin: 540 }), 110, 480)).to.be.closeTo(10, 1e-9)
  })
})
