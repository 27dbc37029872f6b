export const WEB_FOLDER: string
export const serverProgram: (name: 'main' | 'prepare' | 'addAccount') => string
export const buildWeb: () => Promise<void>
export const buildServer: () => Promise<void>
export const buildCli: () => Promise<void>
