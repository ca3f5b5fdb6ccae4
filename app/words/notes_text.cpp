#include "app/words/notes_text.h"

#include <QCoreApplication>
#include <algorithm>
#include <cmath>

#include "app/document/rule_desk.h"
#include "app/words/material_words.h"
#include "app/words/reading_words.h"
#include "app/words/window_words.h"
#include "words/amount_words.h"
#include "words/cut_moments.h"
#include "words/finding_words.h"
#include "words/formula_words.h"
#include "words/plan_text.h"
#include "words/shopping_words.h"
#include "words/shown_text.h"
#include "words/summary_words.h"

namespace drapery {

namespace {

constexpr double kLeastTold = 0.005;  // of a tolerance, mm or degrees
constexpr std::size_t kMostInfluences = 6;

struct Words {
  Q_DECLARE_TR_FUNCTIONS(Notes)
};
QString text(const std::string& from) { return QString::fromStdString(from); }

/// "1 mm more in Width: +1 mm; in Set-back: −1 mm." In inches the step is a millimetre all the
/// same, so the change is told as a ratio.
QString influenceText(Document& document, std::size_t node) {
  const Plan& plan = document.plan();
  QStringList parts;
  for (const Influence& influence : document.influences(node)) {
    if (parts.size() == static_cast<qsizetype>(kMostInfluences)) break;
    const char decimal = windowNotation(plan).decimal;
    const QString sign = influence.change > 0 ? "+" : "−";
    const Unit unit = plan.rules->nodes[node].unit;
    QString change = sign + text(formatNumber(std::abs(influence.change), 2, decimal));
    if (change.endsWith("0") && change.size() == 2) continue;  // under a hundredth
    change += unit == Unit::Millimetre ? Words::tr(" mm") : unit == Unit::Degree ? "°" : "";
    parts << localText(plan.rules->titleOf(influence.input)) + " " + change;
  }
  if (parts.isEmpty()) return {};
  return Words::tr("What 1 mm more in each would do here: %1.").arg(parts.join("; "));
}

QString rangeText(const Plan& plan, const InputRule& rule) {
  if (rule.kind == InputKind::Choice) return {};
  const Notation notation = windowNotation(plan);
  const Unit unit = rule.kind == InputKind::Length ? Unit::Millimetre : Unit::One;
  return Words::tr("Allowed: %1 to %2.")
      .arg(text(amountWords({rule.least, unit}, notation)),
           text(amountWords({rule.most, unit}, notation)));
}

/// Where a measure was read and by what; then, once for each way, what it misses.
void addEachReading(NoteContent& note, const Plan& plan, std::size_t node) {
  const InputRule& rule = plan.rules->inputs[plan.rules->nodes[node].rule];
  QStringList all;
  std::vector<std::string> ways;
  for (const OneReading& reading : plan.eachReading) {
    if (reading.input != plan.rules->nodes[node].rule || !reading.counts) continue;
    QString words =
        placeWords({&rule, node, reading.name}) + " " +
        text(amountWords({reading.value, plan.rules->nodes[node].unit}, windowNotation(plan)));
    if (!reading.by.empty()) words += ", " + wayWords(*plan.rules, reading.by);
    all << words;
    if (std::find(ways.begin(), ways.end(), reading.by) == ways.end()) ways.push_back(reading.by);
  }
  if (!all.isEmpty() && !plan.isPlanned(node))
    note.paragraphs << Words::tr("Read %1.").arg(all.join("; "));
  for (const std::string& way : ways)
    if (const WayRule* known = plan.rules->way(way)) note.paragraphs << localText(known->misses);
}

/// Several readings, and what their spread leaves uncertain here.
void addUncertainty(NoteContent& note, const Plan& plan, std::size_t node) {
  const Notation notation = windowNotation(plan);
  const ValueNode& value = plan.rules->nodes[node];
  const auto words = [&](double figure) {
    return text(amountWords({figure, value.unit}, notation));
  };
  const bool isRead = value.source == ValueNode::Source::Input && plan.counts[node] &&
                      plan.readings[value.rule].count > 1;
  if (isRead) {
    const Readings& readings = plan.readings[value.rule];
    note.paragraphs << Words::tr("%1 readings, from %2 to %3; their mean counts.")
                           .arg(QString::number(readings.count), words(readings.smallest),
                                words(readings.largest));
  } else if (plan.tolerances[node] > kLeastTold) {
    note.paragraphs
        << Words::tr("The readings leave %1 either way.").arg(words(plan.tolerances[node]));
  }
}

void addInput(NoteContent& note, const Plan& plan, std::size_t node) {
  const InputRule& rule = plan.rules->inputs[plan.rules->nodes[node].rule];
  if (!rule.measure.text.empty()) note.paragraphs << localText(rule.measure);
  const bool isSupposed = !plan.entered[node] && !std::isnan(plan.values[node]);
  if (isSupposed && !plan.rules->nodes[node].uses.empty()) {
    note.paragraphs << Words::tr("Supposed: %1.")
                           .arg(text(formulaWithTitles(plan, node, windowNotation(plan))));
  } else if (isSupposed) {
    note.paragraphs << Words::tr("Supposed: the usual figure.");
  }
  const QString range = rangeText(plan, rule);
  if (!range.isEmpty()) note.paragraphs << range;
  if (!rule.places.empty() && plan.readings[plan.rules->nodes[node].rule].count == 0)
    note.paragraphs << Words::tr(
        "Alt+Down, or the ticks beside the figure, opens the places where it is read. What is "
        "longer than the rule is typed as a sum: 300 + 48.5.");
  addEachReading(note, plan, node);
  note.small = text(rule.practice);
  if (rule.kind != InputKind::Choice && !rule.fallback.empty()) {
    note.ruleList = rule.role == InputRole::Given ? "given" : "allowance";
    note.ruleId = rule.id;
  }
}

void addDerived(NoteContent& note, const Plan& plan, std::size_t node) {
  const ValueNode& value = plan.rules->nodes[node];
  if (plan.isFixed(node)) {
    note.paragraphs << (std::isnan(plan.byRule[node])
                            ? Words::tr("Said instead of computed.")
                            : Words::tr("Said instead of computed; by the rule it would be %1.")
                                  .arg(text(amountWords({plan.byRule[node], value.unit},
                                                        windowNotation(plan)))));
    note.paragraphs << Words::tr("An empty entry lets it go.");
    return;
  }
  const QString numbers = text(formulaWithNumbers(plan, node, windowNotation(plan)));
  note.paragraphs << text(formulaWithTitles(plan, node, windowNotation(plan)));
  if (numbers != note.paragraphs.last()) note.paragraphs << numbers + " = " + note.figure;
  if (value.source == ValueNode::Source::Derived) {
    const DerivedRule& rule = plan.rules->derived[value.rule];
    note.paragraphs << localText(rule.because);
    note.small = text(rule.practice);
    note.ruleList = "derive";
    note.ruleId = rule.id;
  }
}

}  // namespace

namespace {

/// One reading: where, what, and what its way of measuring misses.
NoteContent readingNote(const Plan& plan, const ReadingPlace& place, const std::string& value) {
  NoteContent note;
  note.id = "note.why";
  note.subject = text(value);
  note.heading = localText(place.measure->title) + ", " + placeWords(place);
  const OneReading* reading = readingAt(plan, place);
  if (reading != nullptr)
    note.figure = text(
        amountWords({reading->value, plan.rules->nodes[place.node].unit}, windowNotation(plan)));
  note.paragraphs << localText(place.measure->measure);
  const WayRule* way = reading != nullptr ? plan.rules->way(reading->by) : nullptr;
  if (way != nullptr) {
    note.paragraphs << localText(way->misses);
  } else {
    note.paragraphs << Words::tr("By what it was read may be said behind it: %1.")
                           .arg(wayNames(*plan.rules).join(", "));
  }
  note.paragraphs << Words::tr("An empty entry takes the reading out.");
  return note;
}

}  // namespace

NoteContent whyNote(const Plan& plan, const std::string& value) {
  NoteContent note;
  const auto node = plan.rules->find(value);
  if (!node) return note;
  note.id = "note.why";
  note.subject = text(value);
  note.heading = localText(plan.rules->titleOf(*node));
  const ValueNode& of = plan.rules->nodes[*node];
  const bool isInput = of.source == ValueNode::Source::Input;
  const bool isChoice = isInput && plan.rules->inputs[of.rule].kind == InputKind::Choice;
  if (!isChoice && !std::isnan(plan.values[*node]))
    note.figure = text(amountWords({plan.values[*node], of.unit}, windowNotation(plan)));
  if (isInput)
    addInput(note, plan, *node);
  else
    addDerived(note, plan, *node);
  addUncertainty(note, plan, *node);
  const QString school = localText(plan.rules->title);
  note.small = note.small.isEmpty() ? school : note.small + " · " + school;
  return note;
}

NoteContent whyNote(Document& document, const std::string& value) {
  const Plan& plan = document.plan();
  if (const auto place = readingPlace(*plan.rules, value)) return readingNote(plan, *place, value);
  NoteContent note = whyNote(plan, value);
  const auto node = plan.rules->find(value);
  if (!node) return note;
  const ValueNode& of = plan.rules->nodes[*node];
  if (of.source == ValueNode::Source::Input) {
    const QString named = namedMaterial(document, plan.rules->inputs[of.rule]);
    if (!named.isEmpty()) note.paragraphs.prepend(Words::tr("Named: %1.").arg(named));
  } else if (!plan.isFixed(*node)) {
    const QString influence = influenceText(document, *node);
    if (!influence.isEmpty()) note.paragraphs << influence;
  }
  return note;
}

NoteContent pieceNote(Document& document, const std::string& partId) {
  NoteContent note;
  const Plan& plan = document.plan();
  const PlannedPart* part = plan.part(partId);
  if (part == nullptr) return note;
  const Notation notation = windowNotation(plan);
  note.id = "note.piece";
  note.heading = localText(part->rule->title);
  note.figure = text(sizeWords(part->cutWidth, part->cutHeight, notation));
  note.paragraphs << Words::tr("Exactly %1, width before height.")
                         .arg(text(sizeWords(part->width, part->height, notation)));
  for (const CutGroup& group : cutGroups(plan, notation, [](const char* english) {
         return QCoreApplication::translate("Moment", english).toStdString();
       }))
    if (group.when == part->cutWhen) {
      note.paragraphs << Words::tr("Cut: %1.").arg(text(group.title).toLower());
      for (const std::string& line : group.first) note.paragraphs << text(line);
    }
  if (plan.isThere(*part) && plan.verdict)
    note.paragraphs
        << Words::tr("Tried as it was cut: %1").arg(text(verdictSays(*plan.verdict, notation)));
  if (!part->named.empty()) note.paragraphs << text(part->named) + ".";
  if (const auto& band = part->rule->grammage)
    note.paragraphs << Words::tr("Of %1.").arg(text(bandWords(*band, notation)));
  if (part->hasTop) note.paragraphs << Words::tr("Mark its top.");
  if (!part->rule->note.text.empty()) note.paragraphs << localText(part->rule->note);
  QStringList moves;
  for (const PartMove& move : document.partMoves()) {
    if (&plan.parts[move.part] != part) continue;
    QStringList sides;
    const auto side = [&](double by, const QString& words) {
      const QString sign = by < 0 ? "−" : "+";
      if (std::abs(by) >= kLeastTold)
        sides << words.arg(sign + text(formatNumber(std::abs(by), 2, notation.decimal)));
    };
    side(move.width, Words::tr("%1 mm wide"));
    side(move.height, Words::tr("%1 mm high"));
    if (sides.isEmpty()) continue;
    moves << localText(plan.rules->titleOf(move.input)) + " " + sides.join(", ");
  }
  if (!moves.isEmpty())
    note.paragraphs
        << Words::tr("What 1 mm more in each reading would do: %1.").arg(moves.join("; "));
  const double wide = plan.tolerance(partId + ".width"), high = plan.tolerance(partId + ".height");
  if (std::max(wide, high) > kLeastTold)
    note.paragraphs << Words::tr("The readings leave %1 in width and %2 in height either way.")
                           .arg(text(amountWords({wide, Unit::Millimetre}, notation)),
                                text(amountWords({high, Unit::Millimetre}, notation)));
  return note;
}

namespace {

/// The limits of good work that a finding is told by, with their figures.
QString limitsOf(const Plan& plan, const FindingRule& finding) {
  QStringList limits;
  finding.when.formula.eachName([&](Formula::Index, std::string_view name) {
    const auto node = plan.rules->find(name);
    const InputRule* rule = plan.rules->input(name);
    const bool isLimit = node && rule != nullptr && rule->role == InputRole::Allowance &&
                         rule->measure.text.empty() && rule->kind != InputKind::Choice;
    if (!isLimit || std::isnan(plan.values[*node])) return;
    const QString limit = localText(rule->title) + " " +
                          text(amountWords({plan.values[*node], plan.rules->nodes[*node].unit},
                                           windowNotation(plan)));
    if (!limits.contains(limit)) limits << limit;
  });
  return limits.join("; ");
}

}  // namespace

std::vector<NoteContent> findingNotes(const Plan& plan, const std::vector<std::string>& shown) {
  std::vector<NoteContent> notes;
  const Notation notation = windowNotation(plan);
  for (const PlannedFinding& finding : plan.findings) {
    NoteContent note;
    note.id = "note." + text(finding.rule->id);
    note.severity = finding.rule->severity;
    note.paragraphs << findingText(finding, notation) << remedyText(finding, notation);
    note.small = limitsOf(plan, *finding.rule);
    note.ruleList = "finding";
    note.ruleId = finding.rule->id;
    for (const std::string& touched : finding.rule->touches)
      if (note.subject.isEmpty() && std::find(shown.begin(), shown.end(), touched) != shown.end())
        note.subject = text(touched);
    notes.push_back(std::move(note));
  }
  return notes;
}

NoteContent marksNote(const Plan& plan) {
  NoteContent note;
  for (const PlannedMark& mark : plan.marks)
    if (!mark.rule->isAside) note.paragraphs << text(markSays(mark, windowNotation(plan)));
  if (note.paragraphs.isEmpty()) return note;
  note.id = "note.marks";
  note.heading = Words::tr("Mark out");
  return note;
}

QString draggedWords(const Plan& plan, const std::string& value) {
  const auto node = plan.rules->find(value);
  if (!node) return {};
  const Notation notation = windowNotation(plan);
  QString words = localText(plan.rules->titleOf(*node)) + " " +
                  text(amountWords({plan.values[*node], plan.rules->nodes[*node].unit}, notation));
  const std::vector<std::string> tried = summaryLines(plan, "trial", notation);
  if (!tried.empty()) words += "\n" + text(tried.front());
  return words;
}

NoteContent trialNote(const Plan& plan) {
  NoteContent note;
  if (plan.verdict) note.paragraphs << text(verdictSays(*plan.verdict, windowNotation(plan)));
  for (const std::string& line : summaryLines(plan, "trial", windowNotation(plan)))
    note.paragraphs << text(line);
  if (note.paragraphs.isEmpty()) return note;
  note.id = "note.trial";
  note.heading = Words::tr("Tried on the book, as cut");
  return note;
}

NoteContent methodNote(const Document& document) {
  NoteContent note;
  note.id = "note.method";
  const Plan& plan = document.plan();
  if (!document.missing().empty()) {
    note.heading = Words::tr("A new book");
    note.paragraphs << Words::tr(
        "Type each figure where it hangs: 210, 143.5 mm or 5 7/16 in. Enter keeps it and goes "
        "on to the next.");
    return note;
  }
  note.heading = localText(plan.rules->title);
  note.paragraphs << localText(plan.rules->about);
  if (!plan.rules->never.text.empty()) note.paragraphs << localText(plan.rules->never);
  const RuleDesk* desk = document.ruleDesk();
  if (desk != nullptr && desk->isHouse())
    note.paragraphs << Words::tr("Our own rules stand in one file, which can be handed on: %1")
                           .arg(QString::fromStdString(shownText(desk->file())));
  if (!document.job().why.empty())
    note.paragraphs << Words::tr("Why this one: %1").arg(text(document.job().why));
  note.paragraphs << Words::tr("Click any figure to see where it comes from.");
  return note;
}

namespace {

/// The figures may not be those that the pieces were cut by.
NoteContent otherRulesNote() {
  NoteContent note;
  note.id = "note.rules";
  note.heading = Words::tr("Its rules have changed");
  note.paragraphs << Words::tr(
      "This book was last kept under other rules of the same name. Compare what is "
      "cut already with the figures here before you go on.");
  return note;
}

}  // namespace

std::vector<NoteContent> tableNotes(Document& document, const Stage& stage, const Subject& selected,
                                    const std::vector<std::string>& shown) {
  std::vector<NoteContent> notes;
  if (document.hasOtherRules()) notes.push_back(otherRulesNote());
  if (selected.empty() || selected == Subject::field("method") || !document.missing().empty())
    notes.push_back(methodNote(document));
  NoteContent why = selected.kind == Subject::Kind::Part ? pieceNote(document, selected.id)
                                                         : whyNote(document, selected.id);
  if (!why.heading.isEmpty()) notes.push_back(std::move(why));
  for (NoteContent& finding : findingNotes(document.plan(), shown))
    notes.push_back(std::move(finding));
  NoteContent trial = trialNote(document.plan());
  if (stage.tellsTrial && !trial.heading.isEmpty()) notes.push_back(std::move(trial));
  NoteContent marks = marksNote(document.plan());
  if (stage.tellsTrial && !marks.heading.isEmpty()) notes.push_back(std::move(marks));
  return notes;
}

}  // namespace drapery
