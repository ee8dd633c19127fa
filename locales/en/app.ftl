app-again = Try again
app-cancel = Cancel
app-dark = Evening: light on dark
app-home = Spirel, people
app-loading = One moment …
app-no = no
app-sections = Sections
app-skip = Skip to the page
app-unreachable = The server can't be reached. What you typed is kept on this device; it is sent when the server is back.
app-yes = yes

field-fault = This { $said }.
field-notSaid = not said
field-notANumber = This is not a number. Write 12.5, or leave it empty.

help-key-0 = Opens this page
help-key-1 = Read: on to the next field, round the head
help-key-2 = Read: back to the field before
help-key-3 = Read: to the zone before or after
help-key-4 = Read, Aim and Plan: takes back
help-key-5 = Read, Aim and Plan: does again
help-key-6 = Mark: the zone before or after
help-key-7 = Plan: turns the 3D view
help-key-8 = Plan: the 3D view from the front, left, back, right, top
help-key-9 = Plan: the subsection before or after
help-key-10 = Plan: the hair as it is, or after the cut
help-keys = Keys
help-open = Help
help-title = Keys and words
help-words = Words

glossary-extra-word = Allowance
glossary-extra-meaning = What is left on purpose beyond the wish, because hair may spring more than computed. It can come off later.
glossary-held-word = Held length
glossary-held-meaning = From the scalp to the mark while the comb holds the hair, wet or dry.
glossary-mark-word = Mark
glossary-mark-meaning = Where on the comb to cut, always moved up to the next line of the comb.
glossary-risk-word = 1 in 20
glossary-risk-meaning = Cut at the mark, one time in twenty it comes out shorter than wished.
glossary-shrinkage-word = Shrinkage
glossary-shrinkage-meaning = 100 × (1 − sprung ÷ stretched): the share of its length that hair loses when it springs up.
glossary-sprung-word = Sprung
glossary-sprung-meaning = How far the same strand hangs once nothing pulls it.
glossary-stretched-word = Stretched
glossary-stretched-meaning = A strand pulled just straight, from the scalp to its end.
glossary-width-word = Strand thickness
glossary-width-meaning = How thick a single hair is, by feel or measured in µm (thousandths of a millimetre).
glossary-worn-word = Worn length
glossary-worn-meaning = Dry and styled as on most days: what the client sees in the mirror.

nowhere-back = To the people
nowhere-text = This address leads to no page, or to something in another house.
nowhere-title = There is nothing here

session-signOut = Sign out
session-signOutEverywhere = Sign out on every device

signIn-email = Email
signIn-enter = Sign in
signIn-password = Password
signIn-promise = From a measured curl to a mark on the comb.
signIn-title = Sign in

cautions-sore_skin = Sore skin is noted. Leave that place alone, and refer to a doctor; don't judge it here.
cautions-tight_tying = Tight tying pulls on this hair. Suggest a looser tie, and cut without tension there.
cautions-thin_place = A thin place is noted. If it came suddenly or in patches, stop and refer to a doctor.
cautions-noted = Noted
cautions-wasNoted = Noted: { $said }

talkCautions-guardian = A minor: begin only once a guardian has agreed. Your local rules decide who may sign.
talkCautions-infestation = Something that can spread: stop, put the tools aside to be cleaned, and follow your local health code. Do not name a condition.
talkCautions-scalp = Keep tools and products off the place, stop if it hurts, and advise the client to show it to a doctor or pharmacist. Do not name a condition. Your local health code decides whether to go on.
talkCautions-treated = Treated hair stretches and breaks more easily: test a strand wet before you pull, and read spring on treated and new hair apart.
talkCautions-event = Noted without judging: hair may change for months after. What is read today may not hold at the next visit; read again then.

scale-done = It fits
scale-measured = Drawn at true size on this screen.
scale-nominal = Drawn at the size this screen claims to have.
scale-open = Check with a card
scale-reset = Back to what the screen claims
scale-size = Size: { $percent } % of what the screen claims
scale-text = Hold a bank or travel card against the screen and move the slider until the frame is as wide as the card.
scale-title = A true centimetre on this screen
hair-unpainted = This browser can't draw the hair. Loading the page again may help; the lines are right.
