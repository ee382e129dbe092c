import { cardPdf } from '../../pdf/cardPdf'
import { useFaces } from '../../pdf/faces'
import { sendPdf } from '../../pdf/sendReport'
import { route } from '../../utils/route'

export default route(async (event) => sendPdf(event, await cardPdf('a5', await useFaces()), 'scale-card-a5'))
