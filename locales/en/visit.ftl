visit-unfound = This visit can't be shown

ribbon-done = done
ribbon-label = Stages of the visit
ribbon-of = { $n } of { $all } zones
ribbon-open = open
ribbon-part = begun
ribbon-zones =
  { $count ->
      [0] no zone
      [one] 1 zone
     *[other] { $count } zones
  }

save-conflict = You both changed it: choose
save-editing = Not saved yet
save-faulty =
  { $count ->
      [one] Not saved: one field needs a look
     *[other] Not saved: { $count } fields need a look
  }
save-longAgo = Saved
save-minutes = Saved { $n } min ago
save-notKept = Not saved, and this device is full: stay on this page
save-nothing = Nothing said yet
save-readOnly = You can look, not change
save-redo = Redo
save-refused = Not saved: { $why }
save-saving = Saving …
save-seconds = Saved { $n } s ago
save-undo = Undo
save-unreachable = Kept on this device; the server is away

conflict-field = What differs
conflict-keep = Keep
conflict-keepChosen = Keep what is chosen
conflict-keepMine = Keep all of mine
conflict-keepTheirs = Keep all of theirs
conflict-mine = Mine
conflict-nothing = nothing
conflict-step = Step { $n }
conflict-newStep = A step
conflict-text = On { $moment } they changed what you changed, too. Choose for each line which stands; everything else of both is kept, and the other version stays in the history.
conflict-order = in the order { $order }
conflict-removed = removed
conflict-there = there
conflict-theirs = Theirs
conflict-title = { $who } changed the same
