import { SIGN_IN_NAME } from '@rudlo/core/roster'
import { IsOptional, IsString, Length, Matches, MaxLength, MinLength } from 'class-validator'
import { IsId, IsWritten } from '../fields'

/** A sign-in name that somebody chooses or gives. */
export const IsSignInName = (): PropertyDecorator =>
  Matches(SIGN_IN_NAME, { message: 'Use 2 to 60 lowercase letters, numbers, dots or hyphens' })

/** A password that somebody chooses. */
export const IsNewPassword = (): PropertyDecorator => Length(8, 200, { message: 'Use at least 8 characters' })

/** Signing in by name and password. */
export class SignIn {
  @IsString({ message: 'The sign-in name is missing' })
  @MinLength(1, { message: 'The sign-in name is missing' })
  @MaxLength(60, { message: 'That sign-in name is too long' })
  signIn!: string

  @IsString({ message: 'The password is missing' })
  @MinLength(1, { message: 'The password is missing' })
  @MaxLength(200, { message: 'That password is too long' })
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
  @Length(1, 40, { message: 'The code is missing' })
  code!: string

  @IsWritten(120, 'Please enter your name')
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
