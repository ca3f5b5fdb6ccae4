"""The structures beside the case a second time, in another language: what their pieces come to by plane
geometry and common practice, and what is found; compared with what is planned for random books.

second_structures.py CLI SEED COUNT: prints what differs; 1 where anything does.
"""
import json
import math
import os
import random
import subprocess
import sys
import tempfile

ceil = lambda x: math.ceil(x - 1e-9)
floor = lambda x: math.floor(x + 1e-9)
SAME = 1e-6
RESOLUTION = 0.5  # mm, the rule in hand unless a book says otherwise


def arc_length(span, depth):
    """Of a circle's segment, Bronshtein's chord and sagitta; deeper than half a circle too."""
    radius = (span * span / 4 + depth * depth) / (2 * depth)
    return 2 * radius * (2 * math.atan2(depth, span / 2))


def around_edge(edge, cover):
    """What a covering takes round a board's edge: two quarter turns of its own middle."""
    return edge + math.pi / 2 * cover


# --- what several share: name: formula, or (condition, formula) -------------------------------------
CORNERS = {
    "turn_in_reach": lambda v: v.margin - around_edge(v.edge_thickness, v.covering_thickness),
    "corner_needed": lambda v: (v.edge_thickness + 2 * v.covering_thickness) / math.sqrt(2),
    "corner_leg": lambda v: 2 * v.margin - v.corner_distance * math.sqrt(2),
}
HINGE = {
    "outer_dip": lambda v: v.outer_dip_share * v.board_thickness,
    "inner_dip": lambda v: v.board_thickness - v.outer_dip,
    "gap_to_fold": lambda v: 2 * (v.outer_dip + v.covering_thickness),
}
LOOSE = {
    "block_leaves": lambda v: v.leaves if v.has("leaves") else ceil(v.pages_wanted / 2) + 2 * v.blank_leaves,
    "spacers": lambda v: ceil(v.inserts_thickness / v.spacer_thickness),
    "predicted_thickness": lambda v: v.block_leaves * v.leaf_caliper + (v.spacers * v.spacer_thickness if v.has("spacers") else 0),
}
ROW_STEP = lambda v: 2 if v.row_kind == "staggered" else 1
STAB = LOOSE | HINGE | {
    "board_height": lambda v: v.text_height + v.square_head + v.square_tail,
    "cover_width": lambda v: v.text_width + v.square_spine + v.square_fore_edge,
    "leaf_free": lambda v: v.text_width + v.square_spine - v.hinge_strip,
    "row_near": lambda v: v.row_outer if v.row_kind == "staggered" else v.row_single,
    "row_far": lambda v: v.hinge_strip - v.row_to_crease if v.row_kind == "staggered" else v.row_single,
    "hole_pitch": lambda v: (v.board_height - 2 * v.hole_end) / (v.hole_count - 1),
    "hole_first_leaf": lambda v: v.hole_end - v.square_head,
    "holes_in_end_row": lambda v: ceil(v.hole_count / ROW_STEP(v)),
    "rim_edge": lambda v: v.row_near - v.square_spine - v.hole_diameter / 2,
    "rim_crease": lambda v: v.hinge_strip - v.row_far - v.hole_diameter / 2,
    "rim_end": lambda v: v.hole_end - max(v.square_head, v.square_tail) - v.hole_diameter / 2,
}
WET = lambda v: 1 + v.wet_growth * v.wet_growth_along

BOARDED = STAB | CORNERS | {
    "board_width": lambda v: v.cover_width - v.hinge_strip - v.hinge_gap,
    "cloth_shown": lambda v: v.shown_share * v.board_width,
    "outer_cloth_width": lambda v: v.margin + v.hinge_strip + v.hinge_gap + 2 * v.outer_dip + v.cloth_shown,
    "inner_cloth_width": lambda v: v.hinge_strip - v.inner_short + v.hinge_gap + 2 * v.inner_dip + v.inner_reach,
    "side_width": lambda v: v.board_width - v.cloth_shown + v.side_lap + v.side_margin,
    "side_reach": lambda v: v.side_margin - around_edge(v.board_thickness, v.side_thickness),
    "lining_width": lambda v: (v.board_width - v.lining_inset - v.lining_hinge_inset) / (1 + v.wet_growth),
    "lining_height": lambda v: (v.board_height - 2 * v.lining_inset) / WET(v),
    "lining_lap": lambda v: v.side_reach - v.lining_inset,
    "inner_lap": lambda v: v.inner_reach - v.lining_hinge_inset,
}
BOARDED_PARTS = {
    "leaf": lambda v: (v.block_leaves, v.text_width, v.text_height),
    "spacer": lambda v: (v.spacers, v.hinge_strip - v.square_spine, v.text_height),
    "hole_template": lambda v: (1, v.hinge_strip, v.board_height),
    "strip": lambda v: (2, v.hinge_strip, v.board_height),
    "board": lambda v: (2, v.board_width, v.board_height),
    "outer_cloth": lambda v: (2, v.outer_cloth_width, v.board_height + 2 * v.margin),
    "inner_cloth": lambda v: (2, v.inner_cloth_width, v.board_height),
    "side": lambda v: (2, v.side_width, v.board_height + 2 * v.side_margin),
    "lining": lambda v: (2, v.lining_width, v.lining_height),
}
PLAIN = STAB | CORNERS | {
    "board_width": lambda v: v.cover_width - v.hinge_strip - v.hinge_gap,
    "covering_width": lambda v: v.cover_width + 2 * v.outer_dip + 2 * v.margin,
    "covering_height": lambda v: v.board_height + 2 * v.margin,
    "notch_height": lambda v: v.margin - v.spine_slit,
    "lining_in": lambda v: v.turn_in_reach - v.lining_overlap if v.has("lining_overlap") else v.lining_inset,
    "lining_width": lambda v: (v.cover_width + 2 * v.inner_dip - v.lining_in - v.lining_spine_inset) / (1 + v.wet_growth),
    "lining_height": lambda v: (v.board_height - 2 * v.lining_in) / WET(v),
    "lining_lap": lambda v: v.turn_in_reach - max(v.lining_in, v.lining_spine_inset),
}
PLAIN_PARTS = {
    "leaf": BOARDED_PARTS["leaf"],
    "spacer": BOARDED_PARTS["spacer"],
    "hole_template": BOARDED_PARTS["hole_template"],
    "soft_cover": lambda v: (2, v.cover_width, v.board_height),
    "strip": lambda v: (2, v.hinge_strip, v.board_height),
    "board": lambda v: (2, v.board_width, v.board_height),
    "covering": lambda v: (2, v.covering_width, v.covering_height),
    "lining": lambda v: (2, v.lining_width, v.lining_height),
}
BOTH = lambda v: v.picture_faces == "both"
CONCERTINA = CORNERS | {
    "panels_needed": lambda v: ceil(v.pictures / 2) + 1 if BOTH(v) else 2 * ceil(v.pictures / 2),
    "panels": lambda v: max(v.panels_needed, v.panels_wanted) if v.has("panels_wanted") else v.panels_needed,
    "panels_odd": lambda v: v.panels - 2 * floor(v.panels / 2),
    "faces_near": lambda v: v.panels - 2 + v.panels_odd,
    "faces_far": lambda v: v.panels - v.panels_odd,
    "faces_spare": lambda v: (v.faces_near + v.faces_far if BOTH(v) else v.faces_far) - v.pictures,
    "picture_border_side": lambda v: (v.page_width - v.picture_width) / 2,
    "picture_border_end": lambda v: (v.page_height - v.picture_height) / 2,
    "panels_full": lambda v: floor(v.stock_length / v.page_width),
    "strip_step": lambda v: v.panels_full - 1 if v.join_kind == "lapped" else floor((v.stock_length - v.tab_width) / v.page_width),
    "strips": lambda v: 1 if v.panels <= v.panels_full else 1 + ceil((v.panels - v.panels_full) / v.strip_step),
    "joins": lambda v: v.strips - 1,
    "strip_panels": lambda v: v.panels if v.joins == 0 else v.panels_full if v.join_kind == "lapped" else v.strip_step,
    "last_panels": lambda v: v.panels - v.joins * v.strip_step,
    "strip_length": lambda v: v.strip_panels * v.page_width + (v.tab_width if v.joins > 0 and v.join_kind == "tabbed" else 0),
    "last_length": lambda v: v.last_panels * v.page_width,
    "strips_per_sheet": lambda v: floor(v.stock_width / v.page_height),
    "stock_sheets": lambda v: ceil(v.strips / v.strips_per_sheet),
    "strips_alike": lambda v: int(v.strip_step == 2 * floor(v.strip_step / 2)),
    "stack_thickness": lambda v: (v.panels + v.joins) * v.leaf_caliper + v.pictures * v.picture_thickness,
    "closed_thickness": lambda v: v.stack_thickness + 2 * (v.board_thickness + 2 * v.covering_thickness),
    "board_width": lambda v: v.page_width + v.square_spine + v.square_fore_edge,
    "board_height": lambda v: v.page_height + v.square_head + v.square_tail,
    "covering_width": lambda v: v.board_width + 2 * v.margin,
    "covering_height": lambda v: v.board_height + 2 * v.margin,
    "turn_in_lap": lambda v: v.turn_in_reach - max(v.square_head, v.square_tail, v.square_spine, v.square_fore_edge),
    "tie_length": lambda v: v.board_width + 2 * v.tie_free + v.closed_thickness,
    "lining_width": lambda v: (v.board_width - 2 * v.lining_inset) / (1 + v.wet_growth),
    "lining_height": lambda v: (v.board_height - 2 * v.lining_inset) / WET(v),
}
CONCERTINA_PARTS = {
    "strip": lambda v: (v.joins, v.strip_length, v.page_height),
    "strip_last": lambda v: (1, v.last_length, v.page_height),
    "board": lambda v: (2, v.board_width, v.board_height),
    "covering": lambda v: (2, v.covering_width, v.covering_height),
    "lining": lambda v: (2, v.lining_width, v.lining_height),
    "tie": lambda v: (2, v.tie_length, v.tie_thickness),
}
WRAPPER = LOOSE | {
    "wrapper_thickness": lambda v: v.card_thickness + (v.print_thickness if v.wrapper_kind == "laminated" else 0),
    "wrap_spine": lambda v: v.spine_wrap_measured if v.has("spine_wrap_measured") else v.spine_thickness + v.fold_take * v.wrapper_thickness,
    "wrapper_width": lambda v: 2 * (v.text_width + v.wrapper_over) + v.wrap_spine,
    "wrapper_height": lambda v: v.text_height + 2 * v.wrapper_over,
    "crease_1": lambda v: v.crease_2 - v.crease_spacing,
    "crease_2": lambda v: v.text_width + v.wrapper_over,
    "crease_3": lambda v: v.wrapper_width - v.crease_2,
    "crease_4": lambda v: v.wrapper_width - v.crease_1,
    "glue_band": lambda v: v.crease_4 - v.crease_1,
    "block_width": lambda v: v.text_width - v.trim_fore_edge,
    "block_height": lambda v: v.text_height - v.trim_head - v.trim_tail,
    "title_spine_x": lambda v: v.wrapper_width / 2,
    "title_front_x": lambda v: v.wrapper_width / 2 + (1 if v.reads == "left_to_right" else -1) * (v.wrap_spine + v.block_width) / 2,
    "title_y": lambda v: (v.wrapper_height + v.trim_tail - v.trim_head) / 2,
    "spine_title_room": lambda v: v.wrap_spine - 2 * v.title_clear,
    "cord_spacing": lambda v: (v.text_height - 2 * v.cord_end) / (v.cords - 1),
}
BLEED = lambda v: (1, v.wrapper_width + 2 * v.bleed, v.wrapper_height + 2 * v.bleed)
WRAPPER_PARTS = {
    "leaf": BOARDED_PARTS["leaf"],
    "waste_leaf": lambda v: (2 * v.waste_leaves, v.text_width, v.text_height),
    "wrapper": lambda v: (1, v.wrapper_width, v.wrapper_height),
    "wrapper_print": BLEED,
    "wrapper_blank": BLEED,
    "cord": lambda v: (v.cords, v.spine_thickness, v.cord_thickness),
}
SPRING = CORNERS | {
    "lever_width": lambda v: v.lever_share * v.text_width,
    "fold_strip": lambda v: v.text_width - 2 * (v.lever_width + v.lever_spare),
    "pocket_depth": lambda v: v.pocket_share * v.text_width,
    "setback": lambda v: v.spring_grip + v.spring_joint,
    "lever_in": lambda v: v.lever_width - v.setback,
    "board_width": lambda v: v.text_width - v.setback + v.square_fore_edge,
    "board_height": lambda v: v.text_height + v.square_head + v.square_tail,
    "clothing_width": lambda v: (v.clothing_girth_measured if v.has("clothing_girth_measured") else v.spine_arc + 2 * v.lever_width) - 2 * v.clothing_short,
    "clothing_end_height": lambda v: v.tape_from_end if v.tape_count >= 2 and v.has("tape_from_end") else (v.text_height - v.tape_count * v.sewing_tape_width) / (v.tape_count + 1),
    "clothing_mid_height": lambda v: (v.text_height - 2 * v.clothing_end_height - v.tape_count * v.sewing_tape_width) / (v.tape_count - 1),
    "spring_girth": lambda v: v.spring_girth_measured if v.has("spring_girth_measured") else v.spine_arc_lined + 2 * v.spring_grip,
    "spring_width": lambda v: v.spring_girth + math.pi * (v.spring_standoff + v.spring_bend * v.spring_thickness),
    "spring_grip_inside": lambda v: v.spring_grip - (0.5 - v.spring_bend) * math.pi * v.spring_thickness / 2,
    "liner_width": lambda v: v.spring_width + 2 * v.liner_turn,
    "spine_cover": lambda v: v.spring_girth + math.pi * (v.spring_standoff + v.spring_thickness + v.liner_thickness),
    "case_width": lambda v: 2 * (v.board_width + v.joint_gap) + v.spine_cover,
    "covering_width": lambda v: v.case_width + 2 * v.margin,
    "covering_height": lambda v: v.board_height + 2 * v.margin,
}
SPRING_PARTS = {
    "lever_card": lambda v: (2, v.lever_width, v.text_height),
    "clothing_end": lambda v: (1 if v.tape_count == 0 else 2, v.clothing_width, v.clothing_end_height),
    "clothing_mid": lambda v: (v.tape_count - 1, v.clothing_width, v.clothing_mid_height),
    "spring": lambda v: (1, v.spring_width, v.board_height),
    "spring_liner": lambda v: (1, v.liner_width, v.board_height),
    "board": lambda v: (2, v.board_width, v.board_height),
    "split": lambda v: (2, v.board_width, v.board_height),
    "covering": lambda v: (1, v.covering_width, v.covering_height),
}
SLOTTED = {
    "folios": lambda v: v.sections * v.folios_per_section,
    "cover_panel": lambda v: v.text_width + v.square_fore_edge,
    "spine_panel": lambda v: v.spine_thickness + v.fold_take * v.card_thickness,
    "cover_width": lambda v: 2 * v.cover_panel + v.spine_panel,
    "cover_height": lambda v: v.text_height + v.square_head + v.square_tail,
    "cover_width_least": lambda v: 2 * v.text_width + v.spine_panel,
    "square_fore_edge_blank": lambda v: (v.blank_width - v.spine_panel) / 2 - v.text_width,
    "score_2": lambda v: v.cover_panel + v.spine_panel,
    "slot_height": lambda v: v.cover_height - 2 * v.slot_end,
    "slot_flap": lambda v: v.slot_height / 2,
    "flap_height": lambda v: min(v.slot_flap, v.slot_end - v.flap_short),
    "station_first": lambda v: v.slot_end - v.square_head,
    "station_last": lambda v: v.cover_height - v.slot_end - v.square_head,
    "section_creep": lambda v: (v.folios_per_section - 1) * v.leaf_caliper,
    "lining_width": lambda v: v.cover_panel - 2 * v.lining_inset,
    "lining_height": lambda v: v.cover_height - 2 * v.lining_inset,
}
SLOTTED_PARTS = {
    "folio": lambda v: (v.folios, 2 * v.text_width, v.text_height),
    "cover": lambda v: (1, v.cover_width, v.cover_height),
    "lining": lambda v: (2, v.lining_width, v.lining_height),
}
PAIR = lambda v: v.cover_make == "pair"
COVERED = {
    "corner_needed": CORNERS["corner_needed"],
    "corner_leg": CORNERS["corner_leg"],
    "board_height": lambda v: v.cover_height,
    "board_width": lambda v: v.cover_width - v.hinge_strip - v.hinge_gap if v.cover_make == "with_strip" else v.cover_width,
    "case_width": lambda v: 2 * v.board_width + v.hinge_gap if PAIR(v) else v.cover_width,
    "outer_dip": lambda v: 0 if v.cover_make == "single" else v.outer_dip_share * v.board_thickness,
    "inner_dip": lambda v: 0 if v.cover_make == "single" else v.board_thickness - v.outer_dip,
    "gap_to_fold": lambda v: 2 * (v.outer_dip + (v.cloth_thickness if PAIR(v) else v.covering_thickness)),
    "gap_to_close": lambda v: v.contents_thickness + 2 * (v.inner_dip + v.cloth_thickness),
    "corner_distance": lambda v: v.corner_class if v.corner_school == "class_rule" else max(v.corner_ratio * v.board_thickness, v.corner_needed),
    "covering_width": lambda v: v.case_width + 2 * v.outer_dip + 2 * v.margin,
    "covering_height": lambda v: v.board_height + 2 * v.margin,
    "lining_width": lambda v: ((v.board_width if PAIR(v) else v.case_width + 2 * v.inner_dip) - 2 * v.lining_inset) / (1 + v.wet_growth),
    "lining_height": lambda v: (v.board_height - 2 * v.lining_inset) / WET(v),
    "cloth_shown": lambda v: v.shown_share * v.board_width,
    "outer_cloth_width": lambda v: v.hinge_gap + 2 * v.outer_dip + 2 * v.cloth_shown,
    "inner_cloth_width": lambda v: v.hinge_gap + 2 * v.inner_dip + 2 * v.inner_reach,
    "side_width": lambda v: v.board_width - v.cloth_shown + v.side_lap + v.margin,
}
COVERED_PARTS = {
    "board": lambda v: (2 if PAIR(v) else v.covers, v.board_width, v.board_height),
    "strip": lambda v: (v.covers, v.hinge_strip, v.board_height),
    "covering": lambda v: (v.covers, v.covering_width, v.covering_height),
    "lining": lambda v: (2 if PAIR(v) else v.covers, v.lining_width, v.lining_height),
    "outer_cloth": lambda v: (1, v.outer_cloth_width, v.board_height + 2 * v.cloth_margin),
    "inner_cloth": lambda v: (1, v.inner_cloth_width, v.board_height - 2 * v.inner_short),
    "side": lambda v: (2, v.side_width, v.covering_height),
}


# --- what is found: whether it is so; or by how much, where less than half of what can be marked may be let pass ---
STAB_FOUND = {
    "leaf-none": lambda v: v.leaf_free <= 0,
    "holes-no-room": lambda v: v.hole_pitch <= 0,
    "rows-crossed": lambda v: v.row_kind == "staggered" and v.row_far <= v.row_near,
    "hole-runs-out": lambda v: min(v.rim_edge, v.rim_end) <= 0,
    "rim-weak": lambda v: min(v.rim_edge, v.rim_end) > 0 and v.rim_least - min(v.rim_edge, v.rim_crease, v.rim_end),
    "rows-uneven": lambda v: v.row_kind == "staggered" and v.hole_count % 2 == 0,
    "inserts-no-spacer": lambda v: v.has("inserts_thickness") and not v.has("spacer_thickness"),
    "never-flat": lambda v: v.leaf_free > 0,
    "hinge-binds": lambda v: v.gap_to_fold - v.hinge_gap,
    "lining-short": lambda v: v.paste_down_lap - v.lining_lap,
}
BOARDED_FOUND = STAB_FOUND | {
    "strip-bare": lambda v: v.inner_short - v.turn_in_reach,
    "inner-cloth-short": lambda v: v.paste_down_lap - v.inner_lap,
}
PLAIN_FOUND = STAB_FOUND | {
    "hinge-binds": lambda v: v.cover_kind == "boarded" and v.gap_to_fold - v.hinge_gap,
    "paper-hinge": lambda v: v.cover_kind == "boarded",
    "slit-bare": lambda v: v.board_thickness + 2 * v.covering_thickness - v.spine_slit,
    "gap-counted": lambda v: v.board_width > 0,
}
CONCERTINA_FOUND = {
    "panel-past-stock": lambda v: v.panels_full < 1,
    "join-no-room": lambda v: v.panels > v.panels_full and v.strip_step < 1,
    "stock-too-low": lambda v: v.strips_per_sheet < 1,
    "picture-past-page": lambda v: min(v.picture_border_side, v.picture_border_end) < 0,
    "turn-in-short": lambda v: v.lining_kind == "end_panel" and v.paste_down_lap - v.turn_in_lap,
    "covers-one-side": lambda v: v.panels_odd == 0,
}
WRAPPER_FOUND = {
    "no-panel": lambda v: v.crease_1 <= 0,
    "trimmed-away": lambda v: min(v.block_width, v.block_height) <= 0,
    "spine-title-tight": lambda v: v.spine_title_room <= 0,
    "cords-needless": lambda v: v.cords >= 1 and v.spine_thickness <= v.cord_thick_from,
    "cords-worth": lambda v: v.cords == 0 and v.spine_thickness > v.cord_thick_from,
    "trim-last": lambda v: v.trim_head + v.trim_tail + v.trim_fore_edge > 0,
}
SPRING_FOUND = {
    "lever-past-pocket": lambda v: v.lever_width >= v.pocket_depth,
    "clothing-none": lambda v: v.clothing_end_height <= 0 or (v.tape_count >= 2 and v.clothing_mid_height <= 0),
    "lever-not-held": lambda v: v.lever_hold_least - v.lever_in,
    "grip-weak": lambda v: v.spring_grip_least - v.spring_grip_inside,
}
SLOTTED_FOUND = {
    "slot-none": lambda v: min(v.slot_height, v.flap_height) <= 0,
    "cover-narrow": lambda v: v.blank_width < v.cover_width_least,
    "leaves-stand-out": lambda v: v.section_creep - v.square_fore_edge,
    "flap-shortened": lambda v: v.slot_flap - v.flap_height,
}
COVERED_FOUND = {
    "board-vanishes": lambda v: v.board_width <= 0,
    "sheet-too-small": lambda v: v.sheet_width < v.covering_width or v.sheet_height < v.covering_height,
    "folder-binds": lambda v: v.gap_to_close - v.hinge_gap,
    "corner-bare": lambda v: v.corner_distance < v.corner_needed,
    "paper-hinge": lambda v: v.cover_make == "with_strip",
}


# --- random books ---------------------------------------------------------------------------------
def some(rng, **ranges):
    """Each with a chance, so that what is left out is tried as well: (least, most), a list, or (least, most, 1) for whole numbers."""
    out = {}
    for name, what in ranges.items():
        if isinstance(what, list) or rng.random() < 0.5:  # a choice is always said
            out[name] = rng.choice(what) if isinstance(what, list) else rng.randint(*what[:2]) if len(what) == 3 else round(rng.uniform(*what), 2)
    return out


def leaves(rng):
    given = {"text_height": round(rng.uniform(60, 420), 1), "text_width": round(rng.uniform(60, 420), 1)}
    if rng.random() < 0.5:
        given["leaves"] = rng.randint(8, 300)
    else:
        given |= {"pages_wanted": rng.randint(8, 500)} | some(rng, blank_leaves=(0, 4, 1))
    given["leaf_caliper"] = round(rng.uniform(0.07, 0.4), 3)
    if rng.random() < 0.5:
        given |= {"inserts_thickness": round(rng.uniform(0, 30), 1), "spacer_thickness": round(rng.uniform(0.2, 2), 2)}
    return given


HINGED = dict(hinge_strip=(15, 50), hinge_gap=(1, 12), outer_dip_share=(0, 1))
SQUARES = dict(square_head=(0, 8), square_tail=(0, 8), square_fore_edge=(0, 8))
PASTED = dict(lining_inset=(1, 9), wet_growth=(0, 0.03), wet_growth_along=(0, 1))
HOLES = dict(row_kind=["staggered", "single_row"], end_row=["outer_row", "inner_row"], hole_pitch_wanted=(8, 60), hole_end=(6, 30), row_outer=(2, 8), row_to_crease=(3, 10), row_single=(5, 20), hole_diameter=(1, 4))
STRIPS = dict(spring_girth_measured=(30, 90), clothing_girth_measured=(80, 220))


def boarded(rng):
    given = leaves(rng) | {"board_thickness": round(rng.uniform(1, 4), 1)} | some(rng, covering_thickness=(0.1, 0.8), side_thickness=(0.08, 0.4))
    return given, some(rng, **HINGED, **SQUARES, **PASTED, **HOLES, margin=(10, 30), square_spine=(0, 3), shown_share=(0.1, 0.5), side_margin=(15, 35),
                       side_lap=(2, 12), inner_short=(1, 6), inner_reach=(10, 40), lining_hinge_inset=(2, 12))


def plain(rng):
    given = leaves(rng) | {"board_thickness": round(rng.uniform(1, 2.5), 1)} | some(rng, covering_thickness=(0.05, 0.4))
    return given, some(rng, **HINGED, **SQUARES, **PASTED, **HOLES, cover_kind=["boarded", "soft"], margin=(15, 35), lining_spine_inset=(1, 9), lining_overlap=(3, 12), spine_slit=(2, 6))


def concertina(rng):
    given = {"page_width": round(rng.uniform(40, 200), 1), "page_height": round(rng.uniform(40, 200), 1), "pictures": rng.randint(1, 40),
             "board_thickness": round(rng.uniform(1, 4), 1), "stock_length": rng.randint(250, 1500)}
    given |= some(rng, panels_wanted=(2, 40, 1), picture_width=(20, 190), picture_height=(20, 190), stock_width=(100, 700), leaf_caliper=(0.1, 0.5), picture_thickness=(0, 0.4), covering_thickness=(0.1, 0.5))
    return given, some(rng, **SQUARES, **PASTED, picture_faces=["both", "one"], square_spine=(0, 8), margin=(12, 30), lining_kind=["end_panel", "separate"], join_kind=["lapped", "tabbed"],
                       tab_width=(5, 25), ties=["no_ties", "ties_through"], tie_free=(80, 300), tie_thickness=(1, 6))


def wrapper(rng):
    given = leaves(rng) | some(rng, spine_wrap_measured=(2, 60), card_thickness=(0.2, 0.5), print_thickness=(0.05, 0.2), spine_thickness=(2, 50))
    return given, some(rng, wrapper_kind=["plain_card", "laminated"], trim_head=(0, 6), trim_tail=(0, 6), trim_fore_edge=(0, 6), waste_leaves=(0, 3, 1), wrapper_over=(0, 5), crease_spacing=(3, 12),
                       fold_take=(0, 2), bleed=(0, 5), title_clear=(1, 4), reads=["left_to_right", "right_to_left"], cords=(0, 6, 1), cord_end=(8, 25), cord_thickness=(1, 3))


def spring(rng):
    given = {"text_height": round(rng.uniform(150, 420), 1), "text_width": round(rng.uniform(120, 320), 1), "text_thickness": round(rng.uniform(18, 90), 1), "board_thickness": round(rng.uniform(1.5, 3), 1)}
    given |= some(rng, split_thickness=(1, 3), spring_thickness=(1, 2.5), liner_thickness=(0.1, 0.3), covering_thickness=(0.2, 0.8), tape_count=(0, 6, 1), sewing_tape_width=(6, 20), tape_from_end=(20, 60), **STRIPS)
    return given, some(rng, **SQUARES, margin=(12, 25), lever_share=(0.2, 0.3), pocket_share=(0.3, 0.4), lever_spare=(0, 3), spring_grip=(4, 12), spring_standoff=(0.5, 3), spring_bend=(0, 0.5), spring_joint=(3, 9),
                       liner_turn=(5, 15), clothing_short=(0, 4), rod_diameter=(2, 6))


def slotted(rng):
    given = {"text_height": round(rng.uniform(90, 300), 1), "text_width": round(rng.uniform(60, 220), 1), "sections_wanted": rng.randint(3, 20), "leaf_caliper": round(rng.uniform(0.06, 0.3), 2)}
    given |= some(rng, folios_per_section=(1, 8, 1), spine_thickness=(3, 40), card_thickness=(0.2, 0.9), blank_width=(150, 600))
    return given, some(rng, **SQUARES, fold_take=(0, 2), slot_end=(15, 50), flap_short=(1, 6), lining_inset=(1, 6), with_lining=["lined", "unlined"])


def covered(rng):
    given = {"cover_width": round(rng.uniform(90, 400), 1), "cover_height": round(rng.uniform(60, 400), 1), "board_thickness": round(rng.uniform(1, 4), 1)}
    given |= some(rng, covering_thickness=(0.1, 0.5), cloth_thickness=(0.2, 0.6), contents_thickness=(0, 25))
    return given, some(rng, cover_make=["single", "with_strip", "pair"], margin=(15, 40), hinge_strip=(15, 40), hinge_gap=(2, 14), outer_dip_share=(0, 1), corner_school=["by_board", "class_rule"], corner_class=(3.2, 6.3),
                       shown_share=(0.1, 0.5), cloth_margin=(10, 25), side_lap=(3, 12), inner_short=(1, 6), inner_reach=(10, 35), **PASTED)


STRUCTURES = {
    "stab-boarded": (boarded, BOARDED, BOARDED_PARTS, BOARDED_FOUND),
    "stab-plain": (plain, PLAIN, PLAIN_PARTS, PLAIN_FOUND),
    "concertina": (concertina, CONCERTINA, CONCERTINA_PARTS, CONCERTINA_FOUND),
    "paperback-wrapper": (wrapper, WRAPPER, WRAPPER_PARTS, WRAPPER_FOUND),
    "spring-back": (spring, SPRING, SPRING_PARTS, SPRING_FOUND),
    "soft-slotted": (slotted, SLOTTED, SLOTTED_PARTS, SLOTTED_FOUND),
    "covered-board": (covered, COVERED, COVERED_PARTS, COVERED_FOUND),
}


class Values:
    def __init__(self, plan, job):
        self._all = job["given"] | job["allowances"] | {name: value["value"] for name, value in plan["values"].items()}

    def has(self, name):
        return self._all.get(name) is not None

    def __getattr__(self, name):
        if not self.has(name):
            raise KeyError(name)
        return self._all[name]


def differences(plan, job, values, parts, found):
    """What is planned and what comes out here, where they differ; and how much was compared."""
    v, wrong, compared = Values(plan, job), [], 0

    def compare(name, planned, formula):
        nonlocal compared
        try:
            here = formula(v)
        except (KeyError, ZeroDivisionError) as missing:
            wrong.append(f"{name}: planned {planned}, here {missing!r}")
            return
        compared += 1
        for a, b in zip(planned, here if isinstance(here, tuple) else (here,)):
            if not abs(a - b) <= SAME * (1 + abs(b)):
                wrong.append(f"{name}: planned {planned}, here {here}")
                return

    for name, formula in values.items():
        if formula and name in plan["values"] and plan["values"][name]["value"] is not None and plan["values"][name].get("formula"):
            compare(name, (plan["values"][name]["value"],), formula)
    for part in plan["parts"]:
        if part["id"] in parts:
            compare(part["id"], (part["count"], part["width"], part["height"]), parts[part["id"]])
        else:
            wrong.append(f"part {part['id']} is not known here")
    told = {finding["id"] for finding in plan["findings"]}
    for name, holds in found.items():
        try:
            is_so = holds(v)
        except KeyError:  # what it is about is not there
            is_so = False
        if isinstance(is_so, float) and 0 < is_so <= RESOLUTION / 2 + SAME:
            continue
        is_so = is_so > 0
        compared += 1
        if is_so != (name in told):
            wrong.append(f"{name}: {'not told' if is_so else 'told'}")
    if job["method"].startswith("stab"):
        holes(plan, v, wrong)
    return wrong, compared


def holes(plan, v, wrong):
    """Hole i below the cover's head; the odd ones in the row of the end holes."""
    for series in plan["series"]:
        if series["id"] != "hole":
            continue
        for i, at in enumerate(series["at"], 1):
            is_end = v.row_kind == "single_row" or i % 2 == 1
            row = v.row_near if (v.end_row == "outer_row") == is_end or v.row_kind == "single_row" else v.row_far
            y = v.board_height - v.hole_end - (i - 1) * v.hole_pitch
            if abs(at["x"] - row) > SAME or abs(at["y"] - y) > SAME:
                wrong.append(f"hole {i} at {at}, here {row}, {y}")
                return


def main():
    cli, seed, count = sys.argv[1], int(sys.argv[2]), int(sys.argv[3])
    rng, failed = random.Random(seed), False
    for method, (draw, values, parts, found) in STRUCTURES.items():
        with tempfile.TemporaryDirectory() as folder:
            jobs = {}
            for i in range(count):
                given, allowances = draw(rng)
                job = {"schema": "drapery-job/1", "title": "", "method": method, "units": "mm", "given": given, "allowances": allowances}
                jobs[f"{i:04}.json"] = job
                with open(f"{folder}/{i:04}.json", "w") as out:
                    json.dump(job, out)
            out = subprocess.run([cli, "plan", "--batch", folder], capture_output=True, text=True)
            total, planned, met = 0, 0, set()
            refused = [line for line in out.stderr.splitlines() if folder in line]
            for line in refused[:3]:
                failed = True
                print(method, "refused:", line)
            for line in out.stdout.splitlines():
                answer = json.loads(line)
                plan = answer.get("plan", answer)
                if "values" not in plan:
                    continue
                planned += 1
                wrong, compared = differences(plan, jobs[answer["file"]], values, parts, found)
                met |= {name for name in values if name in plan["values"]} | {part["id"] for part in plan["parts"]}
                total += compared
                for each in wrong[:3]:
                    failed = True
                    print(method, answer.get("file", ""), each)
            never = [name for name in list(values) + list(parts) if name not in met]
            print(f"{method}: {planned} books, {total} figures compared" + (f"; never met: {', '.join(never)}" if never else ""))
    sys.exit(1 if failed else 0)


if __name__ == "__main__":
    main()
