export const requireNode: () => void
export const requirePackages: () => void
export const requirePostgres: () => string
export const requireCertutil: () => string
export const requireChromium: () => string
