import { defineEventHandler } from 'h3'
import { told } from '../../words/problems'
import { Problem } from '../utils/problem'
import { refuse } from '../utils/route'

/** An address that leads nowhere, whoever asks. */
export default defineEventHandler((event) => refuse(event, new Problem('not-found', told('nothing-here'))))
