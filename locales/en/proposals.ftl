# What the planner proposes, and why.

plan-why-reason = { $reason }
plan-why-rule = { $condition }: { $advice }; { $because }.
plan-considered-module = It goes with other ways of working: its steps come after theirs.
plan-considered-side = The house takes the other side of a dispute: { $topic }.
plan-behind-wishes = It misses the wish by more: { $off } on the mean.
plan-behind-findings = It leaves more to object to.
plan-behind-other_ways = Worn in another way it leaves more to object to.
plan-behind-minutes = It takes { $minutes } minutes longer.
plan-behind-hair = It takes more hair.
plan-behind-suits = It suits this head less.
plan-behind-idle = On this head its own steps have nothing to cut.
plan-keeps-line = Length behind
plan-keeps-sides = Length at the sides
plan-keeps-top = Length on top
plan-keeps-fringe = The fringe
plan-keeps-ends = Fuller ends: light comes through the last { $after }, { $before } before
plan-keeps-width = Width at the chin: { $after }, { $before } before
plan-loses-line = { $length } behind
plan-loses-sides = { $length } at the sides
plan-loses-top = { $length } on top
plan-loses-fringe = { $length } of the fringe
plan-loses-ends = Full ends: light comes through the last { $after }, { $before } before
plan-loses-width = Width at the chin: { $after }, { $before } before
plan-loses-hair = { $share } of the hair
plan-state-strays = Cut { $state }, where it will lie strays by { $strays }; { $other }, by { $least }.
plan-state-sure = Cut { $state }, where it will lie strays by { $strays }: no state is surer.
plan-state-seen = Cut dry, so that what goes is seen.
plan-state-method = As this way of working has it.
plan-departs = { $condition }: { $advice }. Not here.
plan-trade-longer = { $length } longer in { $zone }, nearer to the wish, would cost: { $costs }.
plan-trade-shorter = { $length } shorter in { $zone }, nearer to the wish, would cost: { $costs }.
plan-trade-none = This way of working brings { $zone } no nearer to the wish: { $length } is missing.
trade-shorter = { $zone } { $length } shorter
trade-longer = { $zone } { $length } longer
trade-ends = light comes through the last { $after }, { $before } now
trade-width = { $after } at the chin, { $before } now
trade-finding = a new finding, “{ $finding }”
trade-minutes = { $minutes } minutes more
plan-out_of_reach =
    { $weeks ->
        [one] In { $zone } the hair is { $length } too short for the wish. It will have grown there in about { $weeks } week.
       *[other] In { $zone } the hair is { $length } too short for the wish. It will have grown there in about { $weeks } weeks.
    }
brings-line-more = behind { $length } shorter
brings-line-less = behind { $length } longer
brings-top-more = top { $length } shorter
brings-top-less = top { $length } longer
brings-lift-more = { $length } more lift
brings-lift-less = { $length } less lift
brings-width-more = { $length } wider at the chin
brings-width-less = { $length } narrower at the chin
brings-length_kept = length behind kept
brings-nothing = nothing that would be seen
