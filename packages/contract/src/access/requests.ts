import { words } from '@rudlo/words'
import { SIGN_IN_NAME } from '@rudlo/core/roster'
import { IsOptional, IsString, Length, Matches, MaxLength, MinLength } from 'class-validator'
import { IsId, IsWritten } from '../fields'

/** A sign-in name that somebody chooses or gives. */
export const IsSignInName = (): PropertyDecorator =>
  Matches(SIGN_IN_NAME, { message: () => words('bad.access.use-lowercase-letters') })

/** A password that somebody chooses. */
export const IsNewPassword = (): PropertyDecorator =>
  Length(8, 200, { message: () => words('bad.access.use-least-characters') })

/** Signing in by name and password. */
export class SignIn {
  @IsString({ message: () => words('bad.access.sign-in-name-missing') })
  @MinLength(1, { message: () => words('bad.access.sign-in-name-missing') })
  @MaxLength(60, { message: () => words('bad.access.sign-in-name-too') })
  signIn!: string

  @IsString({ message: () => words('bad.access.password-missing') })
  @MinLength(1, { message: () => words('bad.access.password-missing') })
  @MaxLength(200, { message: () => words('bad.access.password-too-long') })
  password!: string
}

/** Coming in as somebody of the demo. */
export class DemoSignIn {
  @IsId()
  person!: string
}

/** The first teacher of an installation, with the code that the terminal shows. */
export class FirstTeacher {
  @IsString()
  @Length(1, 40, { message: () => words('bad.access.code-missing') })
  code!: string

  @IsWritten(120, () => words('bad.access.please-enter-name'))
  name!: string

  @IsSignInName()
  signIn!: string

  @IsString()
  @IsNewPassword()
  password!: string
}

/** A password of one's own. */
export class OwnPassword {
  /** The password as it is now; not needed where it was given by a teacher. */
  @IsOptional()
  @IsString()
  @MaxLength(200)
  now?: string

  @IsString()
  @IsNewPassword()
  password!: string
}
