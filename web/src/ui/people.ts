/** So many, in words: "1 person", "30 people". */
export const people = (count: number): string => `${count} ${count === 1 ? 'person' : 'people'}`
