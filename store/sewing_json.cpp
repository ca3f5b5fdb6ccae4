#include "store/sewing_json.h"

#include <cmath>

#include "store/findings_json.h"
#include "store/json_out.h"
#include "words/sewing_words.h"

namespace drapery {

namespace {

/// What all kinds have alike.
class SewingWriter {
 public:
  SewingWriter(const SewingJob& job, const Plan& plan)
      : job_(job), plan_(plan), notation_{plan.units, plan.resolution, '.', {}} {}

 protected:
  void begin() {
    json_.beginObject();
    json_.key("schema").text("drapery-sewing/1");
    json_.key("title").text(job_.title);
    json_.key("kind").text(nameOf(job_.kind));
    json_.key("hand").text(job_.hand == Hand::Right ? "right" : "left");
  }
  std::string end() {
    values();
    json_.key("findings");
    writeFindings(json_, plan_, notation_);
    json_.endObject();
    return json_.str();
  }
  void whole(const char* key, std::size_t number) {
    json_.key(key).number(static_cast<double>(number));
  }
  void whole(const char* key, int number) { json_.key(key).number(number); }

  void pieces(const std::vector<ThreadPiece>& pieces) {
    json_.key("pieces").beginList();
    for (const ThreadPiece& piece : pieces) {
      json_.beginObject();
      whole("from", piece.from);
      whole("to", piece.to);
      json_.key("length").number(piece.length);
      json_.endObject();
    }
    json_.endList();
  }

  SewingJob job_;
  const Plan& plan_;
  Notation notation_;
  PrettyJson json_{2};

 private:
  void values() {
    json_.key("values").beginObject();
    for (std::size_t i = 0; i < plan_.rules->nodes.size(); ++i) {
      const ValueNode& node = plan_.rules->nodes[i];
      if (node.source != ValueNode::Source::Derived || std::isnan(plan_.values[i])) continue;
      const DerivedRule& rule = plan_.rules->derived[node.rule];
      json_.key(node.name).beginObject();
      json_.key("value").number(plan_.values[i]);
      json_.key("unit").text(node.unit == Unit::Millimetre ? "mm" : "1");
      json_.key("formula").text(rule.formula.text());
      json_.key("with").beginObject();
      for (const std::size_t used : node.uses)
        if (!std::isnan(plan_.values[used]))
          json_.key(plan_.rules->nodes[used].name).number(plan_.values[used]);
      json_.endObject();
      json_.key("because").text(rule.because.text);
      json_.endObject();
    }
    json_.endObject();
  }
};

class StabWriter : SewingWriter {
 public:
  StabWriter(const SewingJob& job, const SewnStab& sewn)
      : SewingWriter(job, sewn.plan), sewn_(sewn) {}

  std::string write(const std::optional<Tried>& tried) {
    begin();
    json_.key("pattern").text(sewn_.plan.rules->id);
    json_.key("finish").text(job_.finish == Finish::Buried  ? "buried"
                             : job_.finish == Finish::Glued ? "glued"
                                                            : "ornament");
    holes();
    json_.key("stretches").beginList();
    for (const auto& [a, b] : sewn_.graph.stretches) {
      json_.beginList();
      json_.number(static_cast<double>(a + 1));
      json_.number(static_cast<double>(b + 1));
      json_.endList();
    }
    json_.endList();
    whole("start", sewn_.trail.start + 1);
    json_.key("wraps").beginList();
    for (const StitchWrap& wrap : sewn_.graph.wraps) {
      json_.beginObject();
      whole("hole", wrap.hole + 1);
      json_.key("round").text(nameOf(wrap.round));
      json_.endObject();
    }
    json_.endList();
    path();
    json_.key("turns").beginObject();
    whole("value", sewn_.trail.turns);
    whole("bound", sewn_.trail.bound);
    json_.key("proven").flag(sewn_.trail.turns == sewn_.trail.bound);
    json_.endObject();
    pieces(sewn_.pieces);
    json_.key("ties").beginList();
    for (const Tie& tie : sewn_.ties) {
      json_.beginObject();
      whole("hole", tie.hole + 1);
      whole("off_before", tie.offBefore);
      json_.endObject();
    }
    json_.endList();
    if (tried) write(*tried);
    return end();
  }

 private:
  void holes() {
    json_.key("holes").beginList();
    for (std::size_t i = 0; i < sewn_.graph.holes.size(); ++i) {
      const StitchHole& hole = sewn_.graph.holes[i];
      json_.beginObject();
      whole("n", i + 1);
      json_.key("along").number(hole.along);
      json_.key("across").number(hole.across);
      json_.key("row").text(hole.row);
      whole("passes", sewn_.passes[i]);
      json_.endObject();
    }
    json_.endList();
  }

  void path() {
    const auto& steps = sewn_.trail.steps;
    const SewingNotes notes{job_.finish, sewn_.plan.number("start_tail").value_or(0.0)};
    const auto says = stepWords(steps, notes, notation_);
    json_.key("path").beginList();
    for (std::size_t i = 0; i < steps.size(); ++i) {
      json_.beginObject();
      step(steps[i]);
      json_.key("says").text(says[i]);
      json_.endObject();
    }
    json_.endList();
  }

  void step(const SewStep& step) {
    switch (step.what) {
      case SewStep::Do::Pass:
        json_.key("do").text("pass");
        whole("hole", step.hole + 1);
        json_.key("to").text(nameOf(step.to));
        if (step.hides) json_.key("hides").flag(true);
        break;
      case SewStep::Do::Stretch:
        json_.key("do").text("stretch");
        whole("from", step.from + 1);
        whole("to", step.hole + 1);
        json_.key("face").text(nameOf(step.to));
        break;
      case SewStep::Do::Wrap:
        json_.key("do").text("wrap");
        whole("hole", step.hole + 1);
        json_.key("round").text(nameOf(step.round));
        json_.key("to").text(nameOf(step.to));
        break;
      case SewStep::Do::Knot:
        json_.key("do").text("knot");
        whole("hole", step.hole + 1);
        json_.key("face").text(nameOf(step.to));
        break;
      case SewStep::Do::Thread:
        json_.key("do").text("thread");
        whole("piece", step.piece);
        break;
    }
  }

  void write(const Tried& tried) {
    const Judged& judged = tried.judged;
    json_.key("tried").beginObject();
    whole("tokens", judged.tokens);
    whole("sound", judged.sound);
    whole("passes", judged.passes);
    json_.key("done").flag(judged.isDone);
    json_.key("slip");
    if (judged.slip) {
      json_.beginObject();
      whole("at", judged.sound + 1);
      json_.key("kind").text(nameOf(*judged.slip));
      whole("hole", judged.slipHole + 1);
      json_.key("says").text(slipSays(judged, tried.tokens[judged.sound]));
      json_.key("do").text(slipRemedy(judged));
      json_.endObject();
    } else {
      json_.raw("null");
    }
    whole("unpick", judged.unpick.size());
    json_.key("stands").beginList();
    if (judged.stands.hasBegun()) {
      json_.number(static_cast<double>(judged.stands.hole() + 1));
      json_.text(nameOf(judged.stands.face()));
    }
    json_.endList();
    json_.key("next").beginList();
    for (const SewToken& token : judged.stands.next()) json_.text(textOf(token));
    json_.endList();
    json_.endObject();
  }

  const SewnStab& sewn_;
};

class LinkWriter : SewingWriter {
 public:
  LinkWriter(const SewingJob& job, const SewnLink& sewn)
      : SewingWriter(job, sewn.plan), sewn_(sewn) {}

  std::string write() {
    begin();
    std::size_t from = 1;
    json_.key("rows").beginList();
    for (const LinkRow& row : sewn_.rows) {
      json_.beginObject();
      whole("row", row.row);
      json_.key("end").text(nameOf(row.end));
      json_.key("order").beginList();
      for (const int section : row.order) json_.number(section);
      json_.endList();
      whole("from", from);
      whole("to", from + row.steps.size() - 1);
      json_.key("length").number(
          sewn_.plan.number(row.end == Round::Head ? "thread_head" : "thread_tail").value_or(0.0));
      json_.endObject();
      from += row.steps.size();
    }
    json_.endList();
    json_.key("path").beginList();
    for (const LinkRow& row : sewn_.rows)
      for (std::size_t i = 0; i < row.steps.size(); ++i) write(row, row.steps[i], i == 0);
    json_.endList();
    return end();
  }

 private:
  void write(const LinkRow& row, const LinkStep& step, bool isFirst) {
    json_.beginObject();
    const char* const way = step.isIn ? "in" : "out";
    switch (step.what) {
      case LinkStep::Do::Pass:
      case LinkStep::Do::Loop:
        json_.key("do").text(step.what == LinkStep::Do::Pass ? "pass" : "loop");
        whole("section", step.section);
        json_.key("to").text(way);
        break;
      case LinkStep::Do::Knot:
        json_.key("do").text("knot");
        whole("section", step.section);
        break;
      case LinkStep::Do::Bridge:
        json_.key("do").text("bridge");
        whole("from", step.from);
        whole("to", step.to);
        break;
      case LinkStep::Do::Link:
        json_.key("do").text("link");
        whole("section", step.section);
        json_.key("under").beginList();
        json_.number(step.from);
        json_.number(step.to);
        json_.endList();
        break;
    }
    whole("row", row.row);
    json_.key("says").text(linkStepWords(step, row, isFirst));
    json_.endObject();
  }

  const SewnLink& sewn_;
};

class TapesWriter : SewingWriter {
 public:
  TapesWriter(const SewingJob& job, const SewnTapes& sewn)
      : SewingWriter(job, sewn.plan), sewn_(sewn) {}

  std::string write() {
    begin();
    json_.key("stations").beginList();
    for (const double station : sewn_.stations) json_.number(station);
    json_.endList();
    json_.key("strips").beginList();
    for (const auto& [from, to] : sewn_.strips) {
      json_.beginList();
      json_.number(from);
      json_.number(to);
      json_.endList();
    }
    json_.endList();
    json_.key("path").beginList();
    for (std::size_t i = 0; i < sewn_.steps.size(); ++i) write(sewn_.steps[i], i == 0);
    json_.endList();
    pieces(sewn_.pieces);
    return end();
  }

 private:
  void write(const TapeStep& step, bool isFirst) {
    json_.beginObject();
    switch (step.what) {
      case TapeStep::Do::Pass:
        json_.key("do").text("pass");
        whole("section", step.section);
        whole("station", step.station);
        json_.key("to").text(step.isIn ? "in" : "out");
        break;
      case TapeStep::Do::Run:
      case TapeStep::Do::Tape:
        json_.key("do").text(step.what == TapeStep::Do::Run ? "run" : "tape");
        whole("section", step.section);
        whole("from", step.from);
        whole("to", step.station);
        if (step.what == TapeStep::Do::Tape) whole("tape", step.tape);
        break;
      case TapeStep::Do::Tie:
        json_.key("do").text("tie");
        whole("section", step.section);
        whole("station", step.station);
        whole("to", step.to);
        break;
      case TapeStep::Do::Kettle:
        json_.key("do").text("kettle");
        whole("section", step.section);
        whole("station", step.station);
        json_.key("under").beginList();
        json_.number(step.to);
        json_.number(step.to + 1);
        json_.endList();
        break;
      case TapeStep::Do::Climb:
        json_.key("do").text("climb");
        whole("from", step.from);
        whole("to", step.to);
        whole("station", step.station);
        break;
      case TapeStep::Do::Knot:
        json_.key("do").text("knot");
        whole("section", step.section);
        whole("station", step.station);
        break;
    }
    json_.key("says").text(tapeStepWords(step, sewn_.tapes(), isFirst));
    json_.endObject();
  }

  const SewnTapes& sewn_;
};

}  // namespace

std::string writeSewing(const SewingJob& job, const SewnStab& sewn,
                        const std::optional<Tried>& tried) {
  return StabWriter(job, sewn).write(tried);
}
std::string writeSewing(const SewingJob& job, const SewnLink& sewn) {
  return LinkWriter(job, sewn).write();
}
std::string writeSewing(const SewingJob& job, const SewnTapes& sewn) {
  return TapesWriter(job, sewn).write();
}

}  // namespace drapery
