export const sessionCookie = 'evenshot_session'
