import { getQuery } from 'h3'
import { practiceLobby } from '../../store/practice'
import { route } from '../../utils/route'

export default route(async (event) => practiceLobby(String(getQuery(event).by ?? '').slice(0, 80), new Date().toISOString().slice(0, 10)))
