/** @param house folder of the copy */
export const addKindToCore: (house: string) => void
export const addKindToWeb: (house: string) => void
