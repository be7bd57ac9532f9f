import fc from 'fast-check'

// One seed for every run, so that a red test is red again; another can be tried with EVENSHOT_SEED.
fc.configureGlobal({ seed: Number(process.env.EVENSHOT_SEED ?? 20_261_126) })
