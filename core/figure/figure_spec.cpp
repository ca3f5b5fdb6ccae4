#include "core/figure/figure_spec.h"

#include <array>

namespace drapery {

namespace {

constexpr Dimension kLength = Dimension::length();

constexpr std::array kBlockInputs{
    FigureInput{"height", kLength, "Head to tail."},
    FigureInput{"width", kLength, "Spine edge to fore-edge."},
    FigureInput{"thickness", kLength, "Across the leaves at the fore-edge."},
    FigureInput{"spine", kLength, "Across the spine, flat."},
    FigureInput{"span", kLength, "Over a round from edge to edge; the spine where it is flat."},
    FigureInput{"depth", kLength, "How far the round stands out; 0 where it is flat."},
    FigureInput{"shoulder", kLength, "How far the shoulders stand out; 0 without."},
    FigureInput{"board", kLength, "The board's thickness."}};
constexpr std::array<std::string_view, 2> kBlockThings{"block", "board"};
constexpr std::array<std::string_view, 9> kBlockSpots{
    "height", "width", "thickness", "spine", "board", "shape", "shoulder", "round", "arc"};

constexpr std::array kJointInputs{
    FigureInput{"board", kLength, "The board's thickness."},
    FigureInput{"stiffener", kLength,
                "The stiffener's edge that the cloth passes over; 0 without."},
    FigureInput{"edge", kLength, "The stiffener's edge, or the shoulder, over the leaves."},
    FigureInput{"setback", kLength, "Spine edge to board."},
    FigureInput{"rod", kLength, "The rod's diameter."},
    FigureInput{"covering", kLength, "The covering's thickness."},
    FigureInput{"square", kLength, "Board beyond the leaves at the fore-edge."},
    FigureInput{"spine", kLength, "Across the spine, flat."},
    FigureInput{"span", kLength, "Over a round from edge to edge; the spine where it is flat."},
    FigureInput{"depth", kLength, "How far the round stands out; 0 where it is flat."},
    FigureInput{"gap", kLength, "The cloth of the joint."},
    FigureInput{"taut", kLength,
                "The same pulled straight: where they are alike there is no groove."}};
constexpr std::array<std::string_view, 5> kJointThings{"block", "board", "stiffener", "covering",
                                                       "rod"};
constexpr std::array<std::string_view, 9> kJointSpots{
    "spine", "setback", "groove", "rod", "stiffener", "hinge", "covering", "square", "board_edge"};

constexpr std::array<std::string_view, 3> kWholeSpots{"whole.width_below", "whole.height_left",
                                                      "whole.head"};
constexpr std::array<std::string_view, 7> kPieceSpots{
    "width_above", "width_below", "height_left", "height_right", "head", "tail", "foot"};

constexpr std::array kStripInputs{
    FigureInput{"panel_width", kLength, "Fold to fold."},
    FigureInput{"panel_height", kLength, "Head to tail."},
    FigureInput{"panels", Dimension::number(), "How many."},
    FigureInput{"picture_wide", kLength, "A picture's width; none without."},
    FigureInput{"picture_high", kLength, "A picture's height."},
    FigureInput{"is_both", Dimension::number(),
                "1 where both faces carry pictures, 0 where one does."},
    FigureInput{"square", kLength, "Cover beyond the page."}};
constexpr std::array<std::string_view, 2> kStripThings{"strip", "cover"};
constexpr std::array<std::string_view, 9> kStripSpots{"panel",        "height",     "strip",
                                                      "strip_end",    "strip_foot", "picture",
                                                      "picture_side", "border",     "cover"};

constexpr std::array kPulledInputs{
    FigureInput{"panel_width", kLength, "Fold to fold."},
    FigureInput{"panels", Dimension::number(), "How many."},
    FigureInput{"is_both", Dimension::number(),
                "1 where both faces carry pictures, 0 where one does."},
    FigureInput{"stack", kLength, "All panels on one another, shut."},
    FigureInput{"board", kLength, "A covered board."},
    FigureInput{"square", kLength, "Cover beyond the page."},
    FigureInput{"full", Dimension::number(), "Panels of a whole strip of the stock."},
    FigureInput{"step", Dimension::number(), "Panels that each further strip adds."},
    FigureInput{"is_lapped", Dimension::number(),
                "1 where joined strips share a panel, 0 where a tab joins them."}};
constexpr std::array<std::string_view, 2> kPulledThings{"strip", "cover"};
constexpr std::array<std::string_view, 4> kPulledSpots{"closed", "cover", "strip", "pulled"};

constexpr std::array kSheetInputs{
    FigureInput{"width", kLength, "The sheet's width."},
    FigureInput{"height", kLength, "The sheet's height."},
    FigureInput{"off_width", kLength, "Off its width before it is halved."},
    FigureInput{"off_height", kLength, "Off its height before it is halved."},
    FigureInput{"cuts", Dimension::number(), "Times halved by cutting."},
    FigureInput{"folds", Dimension::number(), "Times folded, after that."},
    FigureInput{"grain", Dimension::number(),
                "1 along the longer side, -1 across it, 0 not known."}};
constexpr std::array<std::string_view, 2> kSheetThings{"sheet", "leaf"};
constexpr std::array<std::string_view, 9> kSheetSpots{
    "sheet", "width", "height", "off_width", "off_height", "grain", "cuts", "folds", "leaf"};

constexpr std::array kSectionsInputs{
    FigureInput{"folios", Dimension::number(), "Folios to a section."},
    FigureInput{"spacers", Dimension::number(), "Spacers between sections; 0 without."},
    FigureInput{"inserts", kLength, "Things pasted in; 0 without."}};
constexpr std::array<std::string_view, 3> kSectionsThings{"block", "thread", "spacer"};
constexpr std::array<std::string_view, 14> kSectionsSpots{
    "block", "sections", "folios", "thread",     "swell", "leaf",  "paper",
    "bulk",  "inserts",  "spacer", "spacer_end", "pages", "blank", "waste"};

constexpr std::array kStackInputs{
    FigureInput{"width", kLength, "Spine edge to fore-edge."},
    FigureInput{"spacers", Dimension::number(), "Spacers between the leaves; 0 without."},
    FigureInput{"reach", kLength, "How far a spacer reaches in."},
    FigureInput{"inserts", kLength, "Things pasted in; 0 without."}};
constexpr std::array<std::string_view, 2> kStackThings{"block", "spacer"};
constexpr std::array<std::string_view, 10> kStackSpots{"block",  "leaves",    "pages", "blank",
                                                       "leaf",   "paper",     "bulk",  "inserts",
                                                       "spacer", "spacer_end"};

constexpr std::array kSpineInputs{
    FigureInput{"thickness", kLength, "Across the leaves at the fore-edge."},
    FigureInput{"spine", kLength, "Across the spine, flat."},
    FigureInput{"span", kLength, "Over a round from edge to edge; the spine where it is flat."},
    FigureInput{"depth", kLength, "How far the round stands out; 0 where it is flat."},
    FigureInput{"shoulder", kLength, "How far the shoulders stand out; 0 without."},
    FigureInput{"board", kLength, "The board's thickness."},
    FigureInput{"setback", kLength, "Spine edge to board."},
    FigureInput{"lining", kLength, "What is glued on the spine, its thickness."}};
constexpr std::array<std::string_view, 4> kSpineThings{"block", "board", "lining", "strip"};
constexpr std::array<std::string_view, 8> kSpineSpots{"span",  "thickness", "arc",   "lining",
                                                      "round", "shoulder",  "strip", "board"};

constexpr std::array kLayersInputs{
    FigureInput{"width", kLength, "Of the ground that the layers lie on."},
    FigureInput{"height", kLength, "Of that ground, head to tail."},
    FigureInput{"lies_along", Dimension::number(),
                "1 where head to tail lies across the drawing."}};
constexpr std::array<std::string_view, 1> kLayersThings{"ground"};
constexpr std::array<std::string_view, 4> kLayersGround{"ground.left", "ground.right",
                                                        "ground.front", "ground.back"};
constexpr std::array<std::string_view, 4> kLayerSpots{"left", "right", "front", "back"};

constexpr std::array kJacketInputs{
    FigureInput{"height", kLength, "Head to tail."},
    FigureInput{"cover", kLength, "One cover panel."},
    FigureInput{"spine", kLength, "The spine panel."},
    FigureInput{"flap", kLength, "One flap."},
    FigureInput{"bleed", kLength, "What the print goes on beyond the edge."},
    FigureInput{"is_cut", Dimension::number(), "1 where there is a jacket."},
    FigureInput{"cover_other", kLength, "The other cover panel."},
    FigureInput{"flap_other", kLength, "The other flap."},
    FigureInput{"cover_else", kLength, "The cover panel by another sum, drawn dashed."}};
constexpr std::array<std::string_view, 1> kJacketThings{"jacket"};
constexpr std::array<std::string_view, 18> kJacketSpots{
    "jacket",     "opens",       "width",           "height", "flap",      "cover", "spine",
    "bleed",      "cover_other", "flap_other",      "bare",   "clearance", "sheet", "flap_foot",
    "cover_foot", "spine_foot",  "flap_other_foot", "edge"};

constexpr std::array kOpenedInputs{
    FigureInput{"board", kLength, "The board's thickness."},
    FigureInput{"stiffener", kLength, "The stiffener's edge that the cloth passes over."},
    FigureInput{"edge", kLength, "The stiffener's edge, or the shoulder, over the leaves."},
    FigureInput{"setback", kLength, "Spine edge to board."},
    FigureInput{"gap", kLength, "The cloth of the joint."},
    FigureInput{"rod", kLength, "The rod's diameter."},
    FigureInput{"covering", kLength, "The covering's thickness."},
    FigureInput{"spine", kLength, "Across the spine, flat."},
    FigureInput{"span", kLength, "Over a round from edge to edge; the spine where it is flat."},
    FigureInput{"depth", kLength, "How far the round stands out; 0 where it is flat."}};
constexpr std::array<std::string_view, 4> kOpenedThings{"block", "board", "stiffener", "covering"};
constexpr std::array<std::string_view, 3> kOpenedSpots{"hinge", "gap", "most"};

constexpr std::array kHingeInputs{
    FigureInput{"board", kLength, "The boards' thickness."},
    FigureInput{"gap", kLength, "From board to board, flat."},
    FigureInput{"dip", kLength, "How deep the outer cloth goes into the gap."},
    FigureInput{"covering", kLength, "The cloth's thickness."},
    FigureInput{"fold", kLength, "The gap with which it folds right back."},
    FigureInput{"close", kLength,
                "The gap with which a pair closes on what is between; 0 without."},
    FigureInput{"fixed", kLength, "The board that stays."},
    FigureInput{"moving", kLength, "The board that turns."},
    FigureInput{"leaves", kLength, "Across the leaves under it; 0 without."},
    FigureInput{"hidden", kLength, "The board that stays, beyond the leaves at the spine."},
    FigureInput{"free", kLength, "A leaf beyond the board that holds it."},
    FigureInput{"between", kLength, "What lies between a pair; 0 without."},
    FigureInput{"is_pair", Dimension::number(),
                "1 where two boards close on one another, 0 where one turns on the leaves."}};
constexpr std::array<std::string_view, 5> kHingeThings{"block", "strip", "board", "outer", "inner"};
constexpr std::array<std::string_view, 7> kHingeSpots{"gap",   "most",  "least", "strip",
                                                      "board", "under", "leaf"};

constexpr std::array kSoftInputs{
    FigureInput{"thickness", kLength, "Across the leaves at the spine."},
    FigureInput{"spine", kLength, "The cover from fold to fold."},
    FigureInput{"width", kLength, "The leaves, spine edge to fore-edge."},
    FigureInput{"card", kLength, "The cover's thickness."},
    FigureInput{"reach", kLength, "The cover, spine fold to fore-edge."},
    FigureInput{"crease", kLength,
                "From the spine fold to the crease at which it lifts; 0 at the fold itself."},
    FigureInput{"sections", Dimension::number(), "Folded sections; 0 for single leaves."},
    FigureInput{"folios", Dimension::number(), "Folios to a section."},
    FigureInput{"creep", kLength, "How far the inner folios stand out."},
    FigureInput{"cord", kLength, "A cord let into the spine, its thickness; 0 without."}};
constexpr std::array<std::string_view, 4> kSoftThings{"block", "card", "glue", "cord"};
constexpr std::array<std::string_view, 8> kSoftSpots{"spine",  "panel",  "card",  "crease",
                                                     "leaves", "square", "creep", "cord"};

constexpr std::array kFoldedInputs{
    FigureInput{"thickness", kLength, "Across the leaves at the spine."},
    FigureInput{"spine", kLength, "The cover from one spine crease to the other."},
    FigureInput{"card", kLength, "The cover's thickness."},
    FigureInput{"crease", kLength, "From a spine crease to the outer one."},
    FigureInput{"side", kLength, "The cover, spine crease to fore-edge."}};
constexpr std::array<std::string_view, 3> kFoldedThings{"block", "card", "glue"};
constexpr std::array<std::string_view, 4> kFoldedSpots{"spine", "crease", "leaves", "card"};

constexpr std::array kSpringInputs{
    FigureInput{"thickness", kLength, "Across the leaves at the fore-edge."},
    FigureInput{"spine", kLength, "Across the spine, flat."},
    FigureInput{"span", kLength, "Over a round from edge to edge; the spine where it is flat."},
    FigureInput{"depth", kLength, "How far the round stands out; 0 where it is flat."},
    FigureInput{"board", kLength, "A split board's outer leaf."},
    FigureInput{"split", kLength, "Its inner leaf."},
    FigureInput{"spring", kLength, "The spring's board."},
    FigureInput{"liner", kLength, "What it is lined with."},
    FigureInput{"grip", kLength, "How far it reaches onto each lever."},
    FigureInput{"standoff", kLength, "What it stands off the spine."},
    FigureInput{"setback", kLength, "Spine edge to board."},
    FigureInput{"lever", kLength, "Spine edge to the lever's edge."},
    FigureInput{"card_gap", kLength, "Spine edge to the lever's card."},
    FigureInput{"lever_thickness", kLength, "The lever, as thick as it is."},
    FigureInput{"pocket", kLength, "How deep the board is split."},
    FigureInput{"short", kLength, "The spine cloth, short of the lever's edge."},
    FigureInput{"covering", kLength, "The covering's thickness."}};
constexpr std::array<std::string_view, 7> kSpringThings{"block", "lever",    "board",   "spring",
                                                        "liner", "clothing", "covering"};
constexpr std::array<std::string_view, 10> kSpringSpots{
    "grip",   "setback",  "lever", "pocket", "in_pocket",
    "spring", "standoff", "board", "joint",  "clothing"};

constexpr std::array kLeverInputs{
    FigureInput{"width", kLength, "The waste leaf, spine edge to fore-edge."},
    FigureInput{"gap", kLength, "From the spine edge to the card."},
    FigureInput{"lever", kLength, "The card's width."},
    FigureInput{"strip", kLength, "What is folded over at the fore-edge."}};
constexpr std::array<std::string_view, 3> kLeverThings{"block", "leaf", "lever"};
constexpr std::array<std::string_view, 6> kLeverSpots{"strip", "lever", "gap",
                                                      "card",  "fold",  "trim"};

constexpr std::array kDowelInputs{FigureInput{"dowel", kLength, "Its diameter."},
                                  FigureInput{"width", kLength, "The board that is rolled, flat."},
                                  FigureInput{"thickness", kLength, "Its thickness."}};
constexpr std::array<std::string_view, 2> kDowelThings{"dowel", "spring"};
constexpr std::array<std::string_view, 4> kDowelSpots{"width", "dowel", "spring", "thickness"};

constexpr std::array kPortraitInputs{
    FigureInput{"front_height", kLength, "The front cover."},
    FigureInput{"front_width", kLength, "The front cover."},
    FigureInput{"cover", kLength, "Its thickness."},
    FigureInput{"leaves_high", kLength, "The leaves; 0 without."},
    FigureInput{"leaves_wide", kLength, "The leaves."},
    FigureInput{"thickness", kLength, "All leaves together."},
    FigureInput{"fore", kLength, "Cover beyond the leaves at the fore-edge."},
    FigureInput{"tail", kLength, "Cover beyond the leaves at the tail."},
    FigureInput{"hinge", kLength, "From the spine edge to where the cover bends; 0 at the edge."},
    FigureInput{"held", kLength, "What of a leaf is held at the spine; 0 where it lies flat."},
    FigureInput{"panels", Dimension::number(), "Of a strip that stands; 0 for leaves."}};
constexpr std::array<std::string_view, 3> kPortraitThings{"cover", "block", "strip"};

constexpr std::array kReadingsInputs{
    FigureInput{"measure", kLength, "What is measured: the mean of its readings."},
    FigureInput{"along", kLength, "What its places lie along."},
    FigureInput{"stands", Dimension::number(), "1 where it is measured upward, 0 across."},
    FigureInput{"is_edge", Dimension::number(), "1 where single leaves are seen, 0 for a face."}};
constexpr std::array<std::string_view, 1> kReadingsThings{"block"};
constexpr std::array<std::string_view, 1> kReadingsSpots{"measure"};

constexpr std::array kWrappedInputs{
    FigureInput{"width", kLength, "The leaves, spine edge to fore-edge."},
    FigureInput{"thickness", kLength, "Across the leaves."},
    FigureInput{"span", kLength, "Over a round from edge to edge; the spine where it is flat."},
    FigureInput{"depth", kLength, "How far the round stands out; 0 where it is flat."},
    FigureInput{"board", kLength, "The board's thickness."},
    FigureInput{"board_cut", kLength, "The board as it is cut."},
    FigureInput{"square", kLength, "Board beyond the leaves at the fore-edge."},
    FigureInput{"across", kLength, "Over the case's outside across the spine, bare boards."},
    FigureInput{"stiffener", kLength, "How far its edge stands before the spine edge."},
    FigureInput{"covering", kLength, "The covering's thickness."},
    FigureInput{"cover", kLength, "One cover panel of the sheet."},
    FigureInput{"spine", kLength, "Its spine panel."},
    FigureInput{"flap", kLength, "One flap."}};
constexpr std::array<std::string_view, 3> kWrappedThings{"block", "board", "sheet"};
constexpr std::array<std::string_view, 5> kWrappedSpots{"cover", "spine", "flap", "fold", "bare"};

constexpr std::array kFigures{
    FigureSpec{"text-block",
               "The block from its face, spine and head, and a board from its edge.",
               kBlockInputs,
               kBlockThings,
               kBlockSpots,
               {}},
    FigureSpec{"joint",
               "The joint of the closed book, cut through.",
               kJointInputs,
               kJointThings,
               kJointSpots,
               {}},
    FigureSpec{
        "flat-pieces",
        "Every piece that has a place, lying flat; only the view's `layers` where it lists any.",
        {},
        {},
        kWholeSpots,
        kPieceSpots},
    FigureSpec{"folded-strip",
               "A strip folded to and fro, half open, and one of its panels.",
               kStripInputs,
               kStripThings,
               kStripSpots,
               {}},
    FigureSpec{"pulled-strip",
               "A strip folded to and fro, shut, and pulled out as far as one likes.",
               kPulledInputs,
               kPulledThings,
               kPulledSpots,
               {}},
    FigureSpec{"folding-sheet",
               "A sheet with its halvings, each across the longer side of what is left.",
               kSheetInputs,
               kSheetThings,
               kSheetSpots,
               {}},
    FigureSpec{"sections",
               "Sections from the head, drawn apart and at no scale.",
               kSectionsInputs,
               kSectionsThings,
               kSectionsSpots,
               {},
               false},
    FigureSpec{"leaf-stack",
               "Single leaves from the head, drawn apart and at no scale.",
               kStackInputs,
               kStackThings,
               kStackSpots,
               {},
               false},
    FigureSpec{"spine",
               "The spine from the head, boards lying on, a strip laid round.",
               kSpineInputs,
               kSpineThings,
               kSpineSpots,
               {}},
    FigureSpec{"layers", "Pieces pulled apart, the view's `layers` one over the other.",
               kLayersInputs, kLayersThings, kLayersGround, kLayerSpots, false},
    FigureSpec{"jacket",
               "A jacket laid flat, outside up.",
               kJacketInputs,
               kJacketThings,
               kJacketSpots,
               {}},
    FigureSpec{"opened-cover",
               "The joint cut through, its cover turned as far as one likes, the other one with it "
               "or not.",
               kOpenedInputs,
               kOpenedThings,
               kOpenedSpots,
               {}},
    FigureSpec{"hinge",
               "A cover cut through at its hinge, turned as far as one likes.",
               kHingeInputs,
               kHingeThings,
               kHingeSpots,
               {}},
    FigureSpec{"soft-cover",
               "A soft cover from the head, its front lifted as far as one likes.",
               kSoftInputs,
               kSoftThings,
               kSoftSpots,
               {}},
    FigureSpec{"folded-cover",
               "A creased cover from the head, outside up: its sides folded down round the leaves, "
               "then lifted at their outer creases.",
               kFoldedInputs,
               kFoldedThings,
               kFoldedSpots,
               {}},
    FigureSpec{"spring",
               "A spring on its spine and levers, cut through, sprung open as far as one likes.",
               kSpringInputs,
               kSpringThings,
               kSpringSpots,
               {}},
    FigureSpec{"lever",
               "How a lever is made, in three pictures, thicknesses larger than they are.",
               kLeverInputs,
               kLeverThings,
               kLeverSpots,
               {},
               false},
    FigureSpec{"dowel",
               "A board rolled on a dowel, and the same board flat.",
               kDowelInputs,
               kDowelThings,
               kDowelSpots,
               {}},
    FigureSpec{"portrait",
               "A kind of book: its front cover, and how it lies opened, from the head.",
               kPortraitInputs,
               kPortraitThings,
               {},
               {}},
    FigureSpec{"readings",
               "A measure at each of its places, differences drawn larger than they are.",
               kReadingsInputs,
               kReadingsThings,
               kReadingsSpots,
               {},
               false},
    FigureSpec{"wrapped",
               "A sheet round the closed book, seen from the head: where its folds lie.",
               kWrappedInputs,
               kWrappedThings,
               kWrappedSpots,
               {}}};

}  // namespace

std::span<const FigureSpec> allFigures() { return kFigures; }

const FigureSpec* findFigure(std::string_view id) {
  for (const FigureSpec& figure : kFigures)
    if (figure.id == id) return &figure;
  return nullptr;
}

}  // namespace drapery
