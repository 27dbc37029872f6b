export const freePort: () => Promise<number>
export const isFree: (port: number, host: string) => Promise<boolean>
