/** Signing in, joining, and the first start. */
export const PEOPLE = {
  'door.claim': 'Draw a line. Hear it move.',
  'door.about':
    'Fades, builds and balance: write them on a song, hear them at once, and hand them in to your teacher.',

  'door.sign-in': 'Sign in',
  'door.name': 'Sign-in name',
  'door.password': 'Password',
  'door.has-code': 'Join a class with a code',
  'door.forgotten': 'Forgotten your password? Your teacher can reset it.',
  'door.demo.title': 'Who are you today?',
  'door.demo.text': 'This is the demo. Choose anybody; you need no password.',
  'door.demo.teacher': 'Teacher',
  'door.demo.students': 'Students',
  'door.demo.by-name': 'Sign in with name and password',
  'door.demo.by-choice': 'Choose somebody from the demo',

  'door.join.title': 'Join a class',
  'door.join.code': 'Code from your teacher',
  'door.join.code.hint': 'Your teacher shows it on the board or writes it down for you.',
  'door.your-name': 'Your name',
  'door.join.sign-in': 'Choose a sign-in name',
  'door.join.sign-in.hint': 'For example anna.b: small letters, numbers, dots or hyphens.',
  'door.new-password': 'Password',
  'door.new-password.hint': 'At least 8 characters.',
  'door.join.ask': 'Ask to join',
  'door.join.asked': 'Nearly there',
  'door.join.asked.text': 'Your teacher still has to let you into “{group}”. After that, sign in as {name}.',
  'door.join.to-sign-in': 'Go to sign-in',

  'door.first.title': 'Create your teacher account',
  'door.first.text':
    'The one-time code is shown in the window where Rudlo was started. It makes you the first teacher here.',
  'door.first.code': 'One-time code',
  'door.first.create': 'Create account',

  'door.own.title': 'Hello {name}',
  'door.own.text': 'Choose your own password. The password on your card will then stop working.',
  'door.own.password': 'New password',
  'door.own.again': 'The same password again',
  'door.own.differ': 'The two passwords are not the same.',
  'door.own.save': 'Save password',
  'door.own.not-me': 'Not me',

  'door.over.title': 'You have been signed out',
  'door.over.text': 'Sign in again to go on, {name}. Everything you did is still here.',
  'door.over.leave': 'Leave this page',
  'door.over.go-on': 'Go on as {name}',
} as const
