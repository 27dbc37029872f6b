export const fieldAddresses: () => string[]
export const openAuthority: (
  folder: string,
  addresses?: readonly string[],
  names?: readonly string[],
) => Promise<{ authorityFile: string; certificateFile: string; keyFile: string; isNew: boolean }>
