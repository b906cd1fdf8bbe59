/**
 * A plate as it is compared: capitals of letters and digits alone, so that "hr-12" and "HR 12" are one plate.
 * Empty where nothing of it is a letter or a digit.
 */
export function plateKey(plate: string): string {
  return plate
    .normalize('NFKC')
    .toUpperCase()
    .replace(/[^\p{L}\p{N}]/gu, '');
}

/** Whether two names of customers would be taken for the same one: capitals and spaces around and between do not count. */
export function sameCustomer(one: string, other: string): boolean {
  return customerKey(one) === customerKey(other);
}

/** A customer's name as it is compared. */
export function customerKey(name: string): string {
  return name.normalize('NFKC').trim().replace(/\s+/gu, ' ').toLowerCase();
}
