// What a page's head seldom needs, or only once the page stands: in one piece after it.
export { DeviceMark } from './DeviceMark.tsx'
export { FindBox } from './FindBox.tsx'
export { HelpSheet } from './HelpSheet.tsx'
export { PersonMenu } from './PersonMenu.tsx'
