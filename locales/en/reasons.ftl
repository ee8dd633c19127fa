### Why a mark is where it is. Core chooses among these messages and gives their values.

reason-springs = Stretched { $stretched }, sprung { $sprung }: { $share } shrinkage.
reason-springs_elsewhere = Hair like it was read elsewhere: stretched { $stretched }, sprung { $sprung }, { $share } shrinkage.
reason-seems_to_spring = Stretched { $stretched }; by what was seen of it, about { $share } shrinkage.
reason-fibre = To be worn at { $target }, the hair itself has to be { $fibre } long.
reason-lighter = Shorter hair weighs less and springs more: that asks for { $more } more hair than the shrinkage alone.
reason-held = Held { $state }, that hair measures { $held } from the scalp.
reason-naive = Cut at { $target } on the comb, it would be worn at { $lands }.
reason-extra = { $allowance } of allowance is left, so that it comes out shorter than wished only 1 time in { $odds }.
reason-fringe_is_seen = Everybody sees a fringe: less risk is accepted here than elsewhere.
reason-no_extra_lands = Without the allowance it could spring up to { $lands }.
reason-from_hair =
    { $strands ->
        [one] Most of the uncertainty is the hair itself: one strand has been measured here so far.
       *[other] Most of the uncertainty is the hair itself: { $strands } strands have been measured here so far.
    }
reason-from_hair_elsewhere = Most of the uncertainty is the hair itself: it was read where hair is like it, not here.
reason-measure_more = With { $strands } strands measured, { $allowance } of allowance would be enough.
reason-measure_let_go = If its sprung length is measured, too, about { $allowance } of allowance is enough.
reason-from_pull = Most of the uncertainty is how hard the comb pulls. Keep the tension light and even.
reason-from_moisture = Most of the uncertainty is how wet the hair is. Keep it evenly wet.
reason-from_styling = Most of the uncertainty is how the hair dries from day to day.
reason-from_cut = Most of the uncertainty is the cut itself: cut in small steps.
reason-from_law = Most of the uncertainty is how well shrinkage can be computed at all. Check it dry and refine.
reason-wet_is_as_sure = Wet is chosen because the perimeter shows best: { $allowance } of allowance here, { $least } in the most certain state.
reason-drier_is_surer = Cut { $state }: { $allowance } of allowance is enough; { $other } would need { $needs }.
reason-wet_too_unsure = Cut { $state }: { $other } is too uncertain for any allowance.
reason-too_short =
    { $weeks ->
        [one] The hair does not reach there yet: about one week of growth is missing. Leave it.
       *[other] The hair does not reach there yet: about { $weeks } weeks of growth are missing. Leave it.
    }
reason-layers_stay = Layers start at { $shortest }: what is shorter than the mark is not in the hand and stays.
reason-leave = With its allowance the mark lies beyond the ends. Leave it, or measure more strands.
reason-shortest_kept = Nine times in ten it stays longer than the shortest accepted, { $shortest }.
reason-shortest_at_risk = It may come out at { $low }, above the shortest accepted, { $shortest }. Leave more or ask again.
reason-rounded = The mark is moved up from { $held } to { $comb }, which can be read on a comb.
