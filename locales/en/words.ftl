### Words and lists that many texts share.

list-comma = { $first }, { $second }
list-and = { $first } and { $second }

comb-fine = fine comb
comb-medium = medium comb
comb-none = no comb
comb-wide = wide comb

combShort-fine = fine
combShort-medium = medium
combShort-none = no comb
combShort-wide = wide

part-centre = centre
part-left = left
part-moves = moves
part-not_said = not said
part-right = right

point-armpit = armpit
point-brow = brow
point-cheekbone = cheekbone
point-chin = chin
point-collarbone = collarbone
point-ear_lobe = ear lobe
point-jaw_corner = jaw corner
point-lip = lip
point-mid_back = mid back
point-nape_line = neck hairline
point-nose_tip = tip of the nose
point-shoulder = shoulder
point-waist = waist

unit-cm = cm
unit-inch = inch
unit-label = Lengths in

worn-as_it_springs = as it springs
worn-brushed_out = brushed out
worn-diffused = diffused
worn-smoothed = smoothed

half-front = { $zone }, in front
half-behind = { $zone }, behind
half-upper = { $zone }, upper half
half-under = { $zone }, lower half
half-left = { $zone }, left half
half-right = { $zone }, right half

zone-back_lower = Back, lower
zone-back_upper = Back, upper
zone-crown = Crown
zone-fringe = Fringe
zone-left_side = Left side
zone-nape = Nape
zone-right_side = Right side
zone-top = Top

zoneWhere-back_lower = below the occipital bone
zoneWhere-back_upper = above the occipital bone
zoneWhere-crown = where the hair turns
zoneWhere-fringe = front hairline between the temples
zoneWhere-left_side = above the client's left ear
zoneWhere-nape = along the hairline of the neck
zoneWhere-right_side = above the client's right ear
zoneWhere-top = from behind the fringe to the crown

figureWord-tone-black = black
figureWord-tone-dark_brown = dark brown
figureWord-tone-brown = brown
figureWord-tone-light_brown = light brown
figureWord-tone-red = red
figureWord-tone-dark_blond = dark blond
figureWord-tone-blond = blond
figureWord-tone-grey = grey
figureWord-tone-white = white
figureWord-curl-straight = straight
figureWord-curl-bend = bend
figureWord-curl-wave = wave
figureWord-curl-ringlet = ringlet
figureWord-curl-coil = coil
figureWord-curl-tight_coil = tight coil
figureWord-curl-zigzag = zigzag
figureWord-moisture-damp = damp
figureWord-moisture-dry = dry
figureWord-moisture-wet = wet
figureWord-width_class-coarse = coarse
figureWord-width_class-fine = fine
figureWord-width_class-medium = medium

fields-shortest_mm = Shortest strand there
fields-like = Hair like
fields-curl = Curl
fields-loop_mm = Width of a loop at the end
fields-turns = Turns along the strand
fields-below_mm = Below it by
fields-chemical_history = Colour and chemical history
fields-face_mm = Face
fields-fear = Fear
fields-girth_mm = Girth
fields-girths = Gathered hair
fields-spots = Weak spots
fields-hairs_per_cm2 = Hairs on a cm²
fields-lands = ends at
fields-measures = Tape
fields-minutes_a_day = Minutes a day
fields-moisture = Moisture
fields-neck_mm = Neck
fields-notes = Notes
fields-over_top_mm = Over the top
fields-part = Parting
fields-point = point
fields-reasons = Reasons
fields-risk = Risk
fields-scalp_concern = Scalp
fields-shortest = shortest
fields-sprung_mm = Sprung
fields-strands = Strands averaged
fields-stretched_mm = Stretched
fields-ties_back = Ties back
fields-torso_mm = Trunk
fields-wet_sprung_mm = Sprung, wet
fields-tone = Tone
fields-width_class = Strand thickness
fields-width_um = Strand thickness measured
fields-worn = Worn
fields-zones = Zone

states-dry_none = dry, as it falls
states-dry_wide = dry on a wide comb
states-dry_medium = dry on a medium comb
states-dry_fine = dry on a fine comb
states-damp_none = damp, as it falls
states-damp_wide = damp on a wide comb
states-damp_medium = damp on a medium comb
states-damp_fine = damp on a fine comb
states-wet_none = wet, as it falls
states-wet_wide = wet on a wide comb
states-wet_medium = wet on a medium comb
states-wet_fine = wet on a fine comb

moistureOn-damp = damp, { $comb }
moistureOn-dry = dry, { $comb }
moistureOn-wet = wet, { $comb }

role-desk = Desk
role-owner = Owner
role-stylist = Stylist
role-trainee = Trainee

stage-cut = Cut
stage-aim = Aim
stage-mark = Mark
stage-read = Read
stage-talk = Talk
stage-plan = Plan

landmark-apex = apex
landmark-crown = crown
landmark-occipital = occipital bone
landmark-hairline_centre = middle of the front hairline
landmark-nape_centre = middle of the nape
landmark-brow_left = left brow
landmark-brow_right = right brow
landmark-recession_left = left recession
landmark-recession_right = right recession
landmark-temple_left = left temple
landmark-temple_right = right temple
landmark-ear_top_left = top of the left ear
landmark-ear_top_right = top of the right ear
landmark-mastoid_left = left mastoid
landmark-mastoid_right = right mastoid
landmark-nape_corner_left = left nape corner
landmark-nape_corner_right = right nape corner
landmark-parietal_left = left parietal ridge
landmark-parietal_right = right parietal ridge
