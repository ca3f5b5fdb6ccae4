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

constexpr std::array kStripInputs{FigureInput{"panel_width", kLength, "Fold to fold."},
                                  FigureInput{"panel_height", kLength, "Head to tail."},
                                  FigureInput{"panels", Dimension::number(), "How many."}};
constexpr std::array<std::string_view, 1> kStripThings{"strip"};
constexpr std::array<std::string_view, 3> kStripSpots{"panel", "height", "strip"};

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
    FigureSpec{"flat-pieces",
               "Every piece that has a place, lying flat.",
               {},
               {},
               kWholeSpots,
               kPieceSpots},
    FigureSpec{"folded-strip",
               "A strip folded to and fro, half open, and one of its panels.",
               kStripInputs,
               kStripThings,
               kStripSpots,
               {}}};

}  // namespace

std::span<const FigureSpec> allFigures() { return kFigures; }

const FigureSpec* findFigure(std::string_view id) {
  for (const FigureSpec& figure : kFigures)
    if (figure.id == id) return &figure;
  return nullptr;
}

}  // namespace drapery
