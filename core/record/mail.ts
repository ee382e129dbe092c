import { email, needed, oneOf, shape, type Shape, text, whole } from '../check'
import { say } from './says'

/** Times that one link is sent. */
export const MOST_MAILED = 20

/** A machine's name or number, and nothing that could be read as more. */
const HOST = /^[\w.:-]*$/

/**
 * How a workshop sends e-mail: not at all, to a stand-in on its own machine that only shows what was sent, or by SMTP.
 * A password that is not told stays as it was.
 */
export const mailSchema = shape({
  way: oneOf('none', 'stand-in', 'smtp').required(needed),
  host: text(253)
    .defined(needed)
    .matches(HOST, { message: say('mail-host') })
    .when('way', { is: 'smtp', then: (of) => of.required(say('mail-host')) }),
  port: whole(1, 65_535).required(needed),
  security: oneOf('tls', 'starttls', 'none').required(needed),
  user: text(254).defined(needed),
  password: text(1000),
  from: email()
    .defined(needed)
    .when('way', { is: 'smtp', then: (of) => of.required(needed) })
}).required(needed)

export type MailSettings = Shape<typeof mailSchema>
