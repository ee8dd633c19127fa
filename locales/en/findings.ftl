### What is found about a cut, and what would cure it. Core gives the values.

finding-choppy_back = Steps over the back of the head: { $ends } of the hair ends over two fingers there, and the head turns in by only { $turns } to round that off. The ends of each subsection stand out by { $step }.
finding-tie_not_reached = Hair that has to be tied back no longer reaches the tie: { $share } of what grows in front and at the sides is too short, by up to { $lacking }.

remedy-longer = Leave these layers longer over the back of the head.
remedy-longer_or_thinner = Leave these layers longer over the back of the head, or take subsections thinner than { $thickness }.
remedy-tie_not_reached = Leave { $lacking } more in front and at the sides, or agree on clips with the client.

cure-move = { $number }
cure-longer =
    { $count ->
        [one] Leave { $amount } more in step { $moves }
       *[other] Leave { $amount } more in steps { $moves }
    }
cure-thinner =
    { $count ->
        [one] Take subsections of { $amount } in step { $moves }
       *[other] Take subsections of { $amount } in steps { $moves }
    }
cure-without =
    { $count ->
        [one] Leave step { $moves } out
       *[other] Leave steps { $moves } out
    }
