/** What the interface takes about signing in and out. */
import { Optional, Text } from '../document/rules.ts'

export class SignIn {
  @Text(80) signInName!: string
  @Text(200) password!: string
  /** Of the authenticator, or a recovery code; once it is asked for. */
  @Optional() @Text(40) code?: string
}

export class StationSignIn {
  @Text(12) code!: string
  /** Who works there, for the record. */
  @Text(80) name!: string
  /** The own number in the organisation, for whoever is tested as well. */
  @Optional() @Text(40) number?: string
  /** What the device calls itself, so that one wrong typist closes joining for nobody else. */
  @Optional() @Text(80) device?: string
}
