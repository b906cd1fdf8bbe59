import { CATALOGUE } from './catalogue.ts';
import { RECORDED, type Definition, type Flags, type Work } from './definition.ts';
import type { EventType, LoggedEvent, Payloads } from './event.ts';
import type { Right } from '../shop/index.ts';

type Definitions = { readonly [T in EventType]: Definition<Payloads[T]> };
const DEFINITIONS: Definitions = CATALOGUE;

/** Every type of event, in the order of the catalogue. */
export const EVENT_TYPES = Object.keys(CATALOGUE) as EventType[];

export const isEventType = (type: string): type is EventType => Object.hasOwn(CATALOGUE, type);

/** What a type of event is. */
export const definitionOf = <T extends EventType>(type: T): Definitions[T] => DEFINITIONS[type];

/** What hangs on an event; on one of a type that this version does not know, as on what is only written down. */
export const flagsOf = (event: Pick<LoggedEvent, 'type'>): Flags<never> => (isEventType(event.type) ? (DEFINITIONS[event.type] as Flags<never>) : RECORDED);

/** Whether the way in is made anew after an event. */
export const plansAnew = (event: LoggedEvent): boolean => flagsOf(event).planAnew(event.payload as never);

/** The right that recording an event of a type asks for. */
export const rightFor = (type: EventType): Right => DEFINITIONS[type].right;

/** Types by which a job pins documents: the server alone writes them. */
export const PINNING = EVENT_TYPES.filter((type) => DEFINITIONS[type].by === 'server');

/** Types that whoever did some work records. */
export const typesOfWork = (work: Work): EventType[] => EVENT_TYPES.filter((type) => DEFINITIONS[type].work === work);

/** Types by which later entries may name more: documents are pinned, or something was found or described. */
export const TELLING = EVENT_TYPES.filter((type) => PINNING.includes(type) || DEFINITIONS[type].tells !== null);
