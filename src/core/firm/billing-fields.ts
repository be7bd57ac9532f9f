/** Where a customer's bills go, and how they find them again. */
export const billingFields = [
  'billName',
  'billStreet',
  'billPostcode',
  'billTown',
  'billCountry',
  'billEmail',
  'billReference',
] as const
