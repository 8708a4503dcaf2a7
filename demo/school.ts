/** Everybody in the demo school is made up. */
export const SCHOOL = 'Samphire Bank School';
export const TEACHERS = [
  { name: 'Maren Oduya', email: 'maren@samphire.example', password: 'between the tides' },
  { name: 'Tomas Lindqvist', email: 'tomas@samphire.example', password: 'wind in the reeds' },
  { name: 'Sunniva Aas', email: 'sunniva@samphire.example', password: 'salt on the window' },
];
/** The picture secret of every student of the demo, in order. */
export const SECRET = 'owl frog snail crab';

/** Groups of Curlew; Chidi is in two. */
export const GROUPS: Record<string, readonly string[]> = {
  'Tide pool': ['Bea Lindgren', 'Chidi Mbeki', 'Farah Siddiqi', 'Jun Weiss', 'Nils Aberg', 'Tane Parata'],
  'Salt grass': ['Chidi Mbeki', 'Goran Vukic', 'Kavya Nair', 'Oluchi Eze', 'Sana Iqbal', 'Vera Sokol', 'Zofia Lis'],
};
/** A small group of Curlew that works on one copy. */
export const TOGETHER = { name: 'Sand bar', members: ['Pavel Novotny', 'Quinn Murray', 'Rosa Delgado'] };
/** A class of last year. */
export const DUNLIN = ['Agnes Rowe', 'Bo Lindahl', 'Celia Marsh', 'Dov Adler', 'Elin Sund', 'Femi Ojo'];

export const CURLEW = [
  'Ayo Bankole',
  'Bea Lindgren',
  'Chidi Mbeki',
  'Dara Kowal',
  'Eun-ji Park',
  'Farah Siddiqi',
  'Goran Vukic',
  'Hana Tanabe',
  'Ines Ramos',
  'Jun Weiss',
  'Kavya Nair',
  'Leo Dubois',
  'Mina Haddad',
  'Nils Aberg',
  'Oluchi Eze',
  'Pavel Novotny',
  'Quinn Murray',
  'Rosa Delgado',
  'Sana Iqbal',
  'Tane Parata',
  'Uma Pillai',
  'Vera Sokol',
  'Wim Peeters',
  'Ximena Cruz',
  'Yusuf Demir',
  'Zofia Lis',
];
export const AVOCET = [
  'Alba Serrano',
  'Bram de Wit',
  'Cai Morgan',
  'Dilnoza Karim',
  'Emre Yildiz',
  'Freya Holm',
  'Gift Moyo',
  'Hoku Kealoha',
  'Ilse Brandt',
];
