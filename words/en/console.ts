/** What stands on a terminal: of the commands, and of a server that cannot start. */
export const CONSOLE = {
  assessUsage: 'usage: npm run --silent assess -- job.json …',
  pictureUsage: 'usage: npm run --silent picture -- measure.json | find photo.jpg | links photo.jpg line.json',
  soundUsage: 'usage: npm run --silent sound -- sheet.json engine.wav',
  traceUsage:
    'usage: npm run --silent trace -- sheet.json trace.csv [--good other.csv] [--map crank=A,cam-in=B] [--rate HZ]',
  noPicture:
    'is no picture that can be read (JPEG, PNG, WebP or TIFF), or is cut off: take it again, or send the whole file',
  noSuchFile: 'no such file',
  unreadable: 'cannot be read',
  notJson: (why: string) => `is not JSON: ${why}`,
  notComputable: "this drive cannot be computed: check the sheet's figures",
  noSuchPerson: (name: string) => `There is no ${name} here.`,
  databaseUnusable: (why: string) =>
    `The workshop's database cannot be used: ${why}. Check DATABASE_URL, or leave it out to use the private database.`,
  networkUnusable: (why: string) =>
    `The network is not served: ${why}. Try other ports or addresses with ./umbrette network.`,
  noDatabase: 'DATABASE_URL is not set: start with ./umbrette start'
}
