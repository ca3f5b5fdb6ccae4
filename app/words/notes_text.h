// What the margin notes say: the why of a value, the findings, the method.
#pragma once

#include "app/document/document.h"
#include "app/stage/stage.h"
#include "app/table/margin_notes.h"

namespace drapery {

/// All notes of a stage: why what is selected comes to what it does, what is found, the trial.
/// `shown` are the values with a tag.
std::vector<NoteContent> tableNotes(Document& document, const Stage& stage, const Subject& selected,
                                    const std::vector<std::string>& shown);

/// The note for a value by the plan alone; empty heading when there is nothing to say.
NoteContent whyNote(const Plan& plan, const std::string& value);
/// The note for a selected value; empty heading when there is nothing to say.
NoteContent whyNote(Document& document, const std::string& value);
/// The note for a selected piece: its exact size, and what a millimetre more in each reading would
/// do. Empty heading when there is no such piece.
NoteContent pieceNote(Document& document, const std::string& partId);
/// One note for each finding; it is tied to the first of `shown` that it touches.
std::vector<NoteContent> findingNotes(const Plan& plan, const std::vector<std::string>& shown);
/// The case tried on the book: squares and turn as cut, and where the gap lies in its window. Empty
/// heading while it cannot be tried.
NoteContent trialNote(const Plan& plan);
/// What is marked out on the pieces, running marks among it. Empty heading when there is nothing.
NoteContent marksNote(const Plan& plan);
/// A value while it is dragged, and the first that the trial tells: the squares.
QString draggedWords(const Plan& plan, const std::string& value);
/// The method in a few words, or what to do first on an empty book.
NoteContent methodNote(const Document& document);

}  // namespace drapery
