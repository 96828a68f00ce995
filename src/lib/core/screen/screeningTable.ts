// A data table. Standing of every row: assumption from general exercise-safety practice, not reviewed by a clinician (docs/sources.md#screening).

export const screeningVersion = '2026-11';

export type RedFlag = Readonly<{ id: string; tier: 'urgent' | 'clinician first'; text: string }>;

export const redFlags: readonly RedFlag[] = [
  { id: 'saddle_numbness', tier: 'urgent', text: 'Numbness between the legs' },
  { id: 'bladder_bowel', tier: 'urgent', text: 'New bladder or bowel trouble together with back or leg symptoms' },
  { id: 'hot_calf', tier: 'urgent', text: 'A calf that is hot, swollen and painful' },
  { id: 'no_weight', tier: 'urgent', text: 'Cannot bear weight on a leg' },
  { id: 'pop_weakness', tier: 'urgent', text: 'A sudden pop, with weakness or bruising' },
  { id: 'chest_fainting', tier: 'urgent', text: 'Chest pain or fainting' },
  {
    id: 'recent_injury',
    tier: 'clinician first',
    text: 'Injury or surgery of hip, thigh, knee or back within 12 weeks, or still under care'
  },
  { id: 'artificial_joint', tier: 'clinician first', text: 'An artificial joint not yet cleared for this motion' },
  { id: 'fracture', tier: 'clinician first', text: 'A fracture or stress fracture that is still healing' },
  { id: 'rest_pain', tier: 'clinician first', text: 'Pain at rest or at night' },
  { id: 'nerve_signs', tier: 'clinician first', text: 'Numbness, tingling or weakness in a limb' },
  { id: 'locking', tier: 'clinician first', text: 'A joint that locks or gives way' },
  {
    id: 'connective_tissue',
    tier: 'clinician first',
    text: 'A diagnosed connective-tissue disorder, or very mobile joints that are unstable or hurt'
  },
  {
    id: 'pregnancy',
    tier: 'clinician first',
    text: 'Pregnancy with pelvic-girdle pain or any warning sign, or within 6 weeks after birth'
  },
  { id: 'arthritis_flare', tier: 'clinician first', text: 'Inflammatory arthritis in flare' },
  { id: 'aneurysm_eye', tier: 'clinician first', text: 'A known aneurysm, recent eye surgery, or glaucoma' },
  { id: 'blood_pressure', tier: 'clinician first', text: 'High blood pressure that is not under control' },
  { id: 'hernia', tier: 'clinician first', text: 'A hernia' },
  { id: 'anticoagulants', tier: 'clinician first', text: 'Treatment with blood thinners' }
];
