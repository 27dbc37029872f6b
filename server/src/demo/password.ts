/** The password of every demo account. They exist only with the demo and sign in only while it is shown. */
export const DEMO_PASSWORD = 'tarn-isles-demo'
