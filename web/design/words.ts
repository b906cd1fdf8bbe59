/** Whether a text is written, and not longer than what is kept of it. */
export const fits = (text: string, most: number): boolean => text.trim() !== '' && text.trim().length <= most;
