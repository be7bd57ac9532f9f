import { expect } from 'chai'
import { careSheet } from '../../../src/core/care/care-sheet.ts'
import { theirJobs } from '../../../src/core/customers/their-jobs.ts'
import { kinds } from '../../../src/core/kinds/index.ts'
import { effective } from '../../../src/core/standing/histories.ts'
import { entry } from '../standing/a-history.ts'

describe('what they may say they did', () => {
  const sheetOf = (id: string) =>
    careSheet(kinds.find((kind) => kind.id === id)!, { drinksPerOpenDay: 60, policy: 'usual' })
  const sr = sheetOf('sr')
  const jobs = (entries: ReturnType<typeof entry>[] = []) => theirJobs(sr, effective({ machine: entries }))

  it('is what comes round less often than daily: nobody is watched by the day', () => {
    for (const kind of kinds) {
      const all = theirJobs(sheetOf(kind.id), effective({}))
      expect(
        all.every(({ job }) => job.everyDays > 1),
        kind.id,
      ).to.equal(true)
      expect(all.length, kind.id).to.be.greaterThan(0)
    }
  })

  it('stands with the day it was done last, and when it comes round again', () => {
    const {
      job: { name, everyDays },
    } = jobs()[0]!
    const done = (on: string) => entry('care-done', on, { what: name, everyDays })
    const job = jobs([done('2026-11-10'), done('2026-11-17')]).find((one) => one.job.name === name)!
    expect(job.lastOn).to.equal('2026-11-17')
    expect(Date.parse(job.dueOn!) - Date.parse('2026-11-17')).to.equal(everyDays * 86_400_000)
    expect(jobs([entry('care-done', '2026-11-10', { what: 'something else', everyDays: 7 })])[0]!.lastOn).to.equal(null)
  })
})
