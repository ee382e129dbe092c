import type { HistoryField } from '../../core/views/history'

/** Headings that people give their columns, in lower case and in any language, by what they mean. */
export const HISTORY_HEADINGS: Readonly<Record<HistoryField, readonly string[]>> = {
  customer: ['customer', 'client', 'name', 'customer name', 'owner', 'kunde', 'kundenname', 'cliente', 'pelanggan'],
  phone: ['phone', 'telephone', 'tel', 'mobile', 'telefon', 'handy', 'teléfono', 'móvil', 'telepon', 'hp'],
  email: ['email', 'e-mail', 'mail', 'correo', 'surel'],
  address: ['address', 'street', 'town', 'city', 'postcode', 'anschrift', 'adresse', 'straße', 'dirección', 'alamat'],
  customerNote: ['customer note', 'notiz zum kunden', 'nota del cliente', 'catatan pelanggan'],
  vehicle: ['vehicle', 'boat', 'called', 'fahrzeug', 'boot', 'vehículo', 'barco', 'kendaraan'],
  registration: [
    'registration',
    'reg',
    'plate',
    'licence plate',
    'number plate',
    'kennzeichen',
    'matrícula',
    'nomor polisi',
    'nopol'
  ],
  chassis: [
    'chassis',
    'chassis number',
    'vin',
    'frame number',
    'hull number',
    'fahrgestellnummer',
    'fin',
    'bastidor',
    'nomor rangka'
  ],
  model: [
    'model',
    'make and model',
    'make',
    'type',
    'modell',
    'marke und modell',
    'marke',
    'modelo',
    'marca y modelo',
    'merek'
  ],
  vehicleNote: ['note', 'vehicle note', 'notiz', 'nota', 'catatan'],
  engine: ['engine', 'engine sheet', 'sheet', 'motor', 'mesin'],
  day: ['date', 'day', 'job date', 'datum', 'tag', 'fecha', 'día', 'tanggal'],
  usage: [
    'usage',
    'mileage',
    'odometer',
    'km',
    'miles',
    'hours',
    'laufleistung',
    'kilometerstand',
    'kilometraje',
    'kilometer',
    'pemakaian'
  ],
  work: ['work', 'job', 'description', 'what was done', 'arbeit', 'auftrag', 'trabajo', 'descripción', 'pekerjaan'],
  doneBy: ['by', 'mechanic', 'done by', 'by whom', 'mechaniker', 'mecánico', 'mekanik', 'von', 'por', 'oleh'],
  renewed: [
    'renewed',
    'parts',
    'parts fitted',
    'fitted',
    'erneuert',
    'teile',
    'piezas',
    'renovado',
    'diganti',
    'suku cadang'
  ],
  elongation: ['elongation', 'stretch', 'längung', 'alargamiento', 'pemuluran']
}
