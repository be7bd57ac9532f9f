import { dayNear } from '../../../ui/format.ts'
import type { Fact } from '../../../ui/TitleBlock.tsx'
import type { CallPlace } from '../../../views/call-page.ts'
import { telOf } from '../../records/contact-links.tsx'

/** Who rings, who was there last, when we may come. */
export const callFacts = (here: CallPlace | null, caller: string, today: string): Fact[] =>
  here
    ? [
        {
          label: 'Caller',
          value: caller || here.customer.contact || here.customer.name,
          source: here.customer.phone ? (
            <a className="word" href={telOf(here.customer.phone)}>
              {here.customer.phone}
            </a>
          ) : (
            'no number on record'
          ),
        },
        {
          label: 'Last here',
          value: here.lastVisit ? dayNear(here.lastVisit.on, today) : 'never',
          source: here.lastVisit?.technicians.map((name) => name.split(' ')[0]).join(', '),
        },
        {
          label: 'We may come',
          value: here.hours
            ? here.hours.hours.map(({ from, to }) => `${from} to ${to}`).join(', ') || 'any hour'
            : 'not said',
          source: here.hours?.note,
        },
      ]
    : []
