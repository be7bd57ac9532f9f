import type { Standing } from '../core/standing/standing.ts'

/** Said where the hand is about to be; local codes and licensed practice come first. */
export const cautionWords: Record<NonNullable<Standing['caution']>, string> = {
  mains:
    'Mains: unplug, prove dead and let it cool before opening. Electrical work by whoever is licensed for it here; local rules come first.',
  pressure:
    'Pressure: cold and at 0 bar before anything is opened. Safety valves are sealed and never adjusted; local rules for pressure vessels come first.',
  scald: 'Hot metal and water: cloth or brush, hands clear of the outlet.',
  acid: 'Acid: goggles and gloves, steam tap open, never in a closed vessel, never with bleach. Not for drinks until rinsed.',
  detergent: 'Detergent: keep it off eyes and skin, rinse until the water is clear before the next drink.',
  milk: 'Milk: what touched it is washed the same day.',
}
