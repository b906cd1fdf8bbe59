import { tooManyIn } from '@jade/core/events';

/** Whether there is room for a text, written or not. */
export const within = (text: string, most: number): boolean => tooManyIn(text, most) === 0;

/** Whether a text is written, and there is room for it. */
export const fits = (text: string, most: number): boolean => text.trim() !== '' && within(text, most);
