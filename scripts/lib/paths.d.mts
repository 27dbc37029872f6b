export const ROOT: string
export const DATA: string
