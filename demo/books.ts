import type { CustomerFacts, PastJobFacts } from '../core/record'

/** Whose vehicles the demo's are, and what older records say of one. */

export interface DemoVehicle {
  name: string
  registration: string
  chassis: string
  model: string
  /** What was done on it before there was a job here. */
  past?: PastJobFacts[]
}

export const DEMO_CUSTOMERS: readonly (CustomerFacts & { id: string; vehicles: readonly DemoVehicle[] })[] = [
  {
    id: '5a17c000-0000-4000-8000-000000000001',
    name: 'Saltmarsh Harbour Pilots',
    phone: '0100 555 010',
    email: 'office@pilots.example',
    address: 'Pilot house, Slipway 1\nSaltmarsh Harbour',
    note: 'Vans are needed by seven.',
    vehicles: [
      { name: 'Pilot van 1', registration: 'SH-11-PV', chassis: 'ARD18X00011', model: 'Ardmere Carry 1.8' },
      { name: 'Pilot van 2', registration: 'SH-12-PV', chassis: 'ARD18X00012', model: 'Ardmere Carry 1.8' },
      { name: 'Pilot van 3', registration: 'SH-13-PV', chassis: 'ARD18X00013', model: 'Ardmere Carry 1.8' },
      { name: 'Pilot van 4', registration: 'SH-14-PV', chassis: 'ARD18X00014', model: 'Ardmere Carry 1.8' },
      {
        name: 'Pilot van 5',
        registration: 'SH-15-PV',
        chassis: 'ARD18X00015',
        model: 'Ardmere Carry 1.8',
        past: [
          {
            doneOn: '2024-03-12',
            usage: { value: 71_400, unit: 'km' },
            work: 'Chain jumped at a cold start; guide said to be renewed. From its papers.',
            doneBy: 'the garage before',
            renewed: ['guide']
          }
        ]
      }
    ]
  },
  {
    id: '5a17c000-0000-4000-8000-000000000002',
    name: 'Saltmarsh Water Taxis',
    phone: '0100 555 020',
    email: 'boats@taxis.example',
    address: 'Ferry steps\nSaltmarsh Harbour',
    note: '',
    vehicles: [
      { name: 'Water taxi Eider', registration: 'WT 204', chassis: '', model: 'Hexley inboard, 9 m' },
      { name: 'Water taxi Dunlin', registration: 'WT 207', chassis: '', model: 'Vellora inboard, 9 m' }
    ]
  },
  {
    id: '5a17c000-0000-4000-8000-000000000003',
    name: 'Nell Harrow',
    phone: '0100 555 033',
    email: 'nell@harrow.example',
    address: 'Saltings 7\nSaltmarsh',
    note: 'Ring before six.',
    vehicles: [{ name: 'Workboat Knot', registration: 'WB 31', chassis: 'KN-0031', model: 'Torvane workboat' }]
  }
]
