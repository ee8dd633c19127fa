people-add = New client
people-consent = The client agrees that their measures and notes are kept in this house. They can ask at any time what is kept and have it removed.
people-consentNeeded = Nothing is kept without it. Ask the client first.
people-contact = How to reach them
people-found =
  { $count ->
      [0] nobody found
      [one] 1 person
     *[other] { $count } people
  }
people-lastVisit = last { $day }
people-name = Name
people-newTitle = New client
people-none = Nobody is in the book yet. Add the first client.
people-noneFound = Nobody here is called “{ $search }”, and no note speaks of it. Try fewer letters, or add a new client.
people-note = What to remember
people-noVisit = no visit yet
people-save = Add
people-search = Search by name or note
people-title = People
people-visits =
  { $count ->
      [0] no visits
      [one] 1 visit
     *[other] { $count } visits
  }

client-back = ← People
client-begin = Begin a visit today
client-consent = agreed to data being kept on { $moment }
client-import = Import a visit file
client-line = Line { $line }
client-more = and { $n } more
client-notBegun = not begun
client-noVisits = No visit yet. Begin one, or import a file that was exported before.
client-refused = This file was not imported:
client-title = Client
client-visits = Visits
