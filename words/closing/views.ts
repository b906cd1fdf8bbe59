import { minutes, plural } from '@jade/words/units';

/** Something that has to go back before what is shown. */
export const BACK_FIRST = {
  open: 'Something goes back before it',
  title: (piece: string) => `What goes back before ${piece}?`,
  which: 'Which of them',
  why: 'Why it has to',
  action: 'It goes back first',
} as const;

export const BACK_PANEL = {
  people: (people: number) => ` · ${people} people`,
  firstThis: (subject: string) => `First this, or it will be covered: ${subject}.`,
  goThere: 'Go there',
  first: 'First.',
} as const;

export const CLOSE_UP_STATION = {
  nothingOff: 'Nothing has come off yet: Open up fills the tray, this station empties it.',
  lanes: 'Who puts back what, two people',
  supply: (piece: string, to: 'live' | 'dead', ownMin: number, waitMin: number) =>
    `${piece} ${to === 'live' ? 'on' : 'off'} · ${minutes(ownMin)}${waitMin > 0 ? ` · then ${minutes(waitMin)} until it is dead` : ''}`,
  isolation: 'Who isolates it, and by which procedure',
  now: (subject: string) => `Now: ${subject}`,
  comesHereBefore: (isCovered: boolean) => `It comes here, before ${isCovered ? 'it is covered' : 'the supply changes again'}.`,
  goThere: 'Go there',
  allBack: 'Everything is back and the tray is empty.',
  trayNotEmpty: 'Everything is back, but the tray is not empty: count again.',
  back: (steps: number) => `${plural(steps, 'step')} back`,
  onTheClock: 'On the clock',
  withPlanned: 'With all that is still planned, on the clock',
  liveAgain: 'live again',
  to: (to: string) => `to ${to}`,
  testFirst: 'test first',
  workFirst: 'work first',
  dead: 'dead',
  forgot: 'Set again what the vehicle forgot',
  forgotWhen: 'Before the fault codes are read again.',
  isSet: (setting: string) => `${setting} is set`,
  originals: 'Original parts for the owner',
  originalsWhy: 'Each with its fasteners.',
  bag: (id: string) => `Bag ${id}`,
  bagged: 'Bagged for the owner',
  label: 'Label and place',
} as const;
