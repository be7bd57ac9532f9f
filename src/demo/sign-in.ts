/** Shown on the sign-in page while the demo world is loaded, and only then. */
export const demoSignIn = { email: 'ines@quillgate.example', password: 'harrowmere' }
