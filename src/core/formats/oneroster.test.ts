import { readOneRoster } from './oneroster'

// Columns as the OneRoster 1.1 CSV specification (IMS Global, 2017) orders them, from memory; people made up.
const users = [
  'sourcedId,status,dateLastModified,enabledUser,orgSourcedIds,role,username,userIds,givenName,familyName,middleName,identifier,email,sms,phone,agentSourcedIds,grades,password',
  'u1,,,true,o1,student,ines,,Inês,Dias,,77,ines@x.example,,,,09,',
  'u2,,,true,o1,student,bo,,Bo,Or,,78,,,,,09,',
  'u3,,,true,o1,teacher,tea,,Tea,Cher,,79,tea@x.example,,,,,',
  'u4,tobedeleted,,true,o1,student,gone,,Gone,Away,,80,,,,,09,',
].join('\r\n')
const classes =
  'sourcedId,status,dateLastModified,title,grades,courseSourcedId,classCode,classType,location,schoolSourcedId,termSourcedIds,subjects,subjectCodes,periods\r\n' +
  'c1,,,Pond life,09,co1,,scheduled,,o1,t1,,,\r\nc2,,,Birds by ear,09,co1,,scheduled,,o1,t1,,,\r\nc3,,,Empty,09,co1,,scheduled,,o1,t1,,,'
const enrollments =
  'sourcedId,status,dateLastModified,classSourcedId,schoolSourcedId,userSourcedId,role,primary,beginDate,endDate\r\n' +
  'e1,,,c1,o1,u1,student,,,\r\ne2,,,c2,o1,u1,student,,,\r\ne3,,,c2,o1,u2,student,,,\r\ne4,,,c1,o1,u3,teacher,true,,\r\ne5,,,c1,o1,u4,student,,,'

const read = (files: Record<string, string>) => readOneRoster(new Map(Object.entries(files)))

test('users alone give every student who stays', () => {
  expect(read({ 'users.csv': users })).toEqual({
    ok: true,
    list: {
      classes: [],
      leftOut: { notStudents: 1, toBeDeleted: 1, unknownPeople: 0 },
      rows: [
        ['First name', 'Family name', 'Email', 'Identifier', 'Grades'],
        ['Inês', 'Dias', 'ines@x.example', '77', '09'],
        ['Bo', 'Or', '', '78', '09'],
      ],
    },
  })
})

test('with enrollments and classes it is known who is in which', () => {
  const found = read({ 'users.csv': users, 'classes.csv': classes, 'enrollments.csv': enrollments })
  expect(found.ok && found.list.classes).toEqual(['Pond life', 'Birds by ear'])
  expect(found.ok && found.list.rows.map(row => [row[0], row[5]])).toEqual([
    ['First name', 'Class'],
    ['Inês', 'Pond life'],
    ['Inês', 'Birds by ear'],
    ['Bo', 'Birds by ear'],
  ])
})

test.each<[string, Record<string, string>, object]>([
  ['without users', { 'classes.csv': classes }, { code: 'no-users-file' }],
  [
    'without a field',
    { 'users.csv': 'sourcedId,role\n1,student' },
    { code: 'missing-field', field: 'givenName' },
  ],
  ['without students', { 'users.csv': users.replaceAll(',student,', ',parent,') }, { code: 'no-students' }],
  [
    'with classes that say nothing',
    { 'users.csv': users, 'classes.csv': 'a\n1' },
    { code: 'missing-field', file: 'classes.csv' },
  ],
])('%s it is said what is missing', (_, files, problem) => {
  expect(read(files)).toMatchObject({ ok: false, problem })
})

test('what the files have and the list has not is counted', () => {
  const more = `${enrollments}\r\ne6,,,c1,o1,nobody,student,,,\r\ne7,tobedeleted,,c1,o1,nobody,student,,,`
  const found = read({ 'users.csv': users, 'classes.csv': classes, 'enrollments.csv': more })
  // Of u4, who is marked to be deleted, and of somebody who is in no file.
  expect(found.ok && found.list.leftOut).toEqual({ notStudents: 1, toBeDeleted: 1, unknownPeople: 2 })
})
