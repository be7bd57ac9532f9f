import { string } from 'yup'

/** Long enough that nobody guesses it; any characters. */
export const passwordField = () =>
  string().min(10, 'must have at least 10 characters').max(1000, 'must be at most 1000 characters').required()

export const emailField = () =>
  string()
    .matches(/^[^\s@]+@[^\s@]+\.[^\s@]+$/, 'is not an e-mail address')
    .max(200, 'must be at most 200 characters')
    .required()
