export const WEB_FOLDER: string
export const buildWeb: () => void
