#include "app/sewing/sew_tags.h"

#include <QVBoxLayout>
#include <algorithm>
#include <utility>

#include "app/sewing/strip_view.h"

namespace drapery {

namespace {

/// Of the picture's scale without tags: under it they would only crowd it, and go to the list.
constexpr double kLeastScale = 0.45;
/// At the thread and at the needle, whatever the pattern.
constexpr const char *kThread = "thread_diameter", *kNeedle = "needle_width";

Point pointOf(const QPointF& at) { return {at.x(), at.y()}; }

}  // namespace

SewTags::SewTags(Document& document, const SewDesk& desk, const Palette& palette, StripView* strip)
    : QObject(strip),
      palette_(palette),
      strip_(strip),
      rack_(new TagRack(strip, palette)),
      editor_(new SewTagEditor(document, desk, this)),
      panels_(1) {
  connect(rack_, &TagRack::made, this, [this](Tag* tag) {
    editor_->serve(tag);
    connect(tag, &Tag::selected, this, [this](Tag* of) { select(of->value()); });
  });
  connect(&document, &Document::bookChanged, this, &SewTags::stopTyping);
  connect(editor_, &TagEditor::messagesChanged, this, &SewTags::stale);
  connect(editor_, &TagEditor::done, this, &SewTags::done);
  connect(editor_, &TagEditor::refused, this, &SewTags::refused);
}

void SewTags::select(const std::string& tag) {
  if (tag == selected_) return;
  selected_ = tag;
  rack_->setSelected(Subject::value(tag));
  emit noteChanged();
}

NoteContent SewTags::note() const {
  return rack_->hangingOf(selected_) != nullptr ? editor_->noteOf(selected_) : NoteContent();
}

void SewTags::setSewn(std::shared_ptr<const SewnBook> sewn) {
  const auto rulesOf = [](const SewnBook* book) {
    return book != nullptr && book->plan() != nullptr ? book->plan()->rules->id : std::string();
  };
  if (rulesOf(sewn_.get()) != rulesOf(sewn.get())) stopTyping();  // it is about another sewing
  sewn_ = std::move(sewn);
  editor_->setSewn(sewn_);
  const auto* stab = std::get_if<SewnStab>(&sewn_->sewn);
  measures_ = stab != nullptr ? stripMeasures(*stab) : std::vector<StripMeasure>();
  isStale_ = true;
  renewList();
}

std::optional<std::pair<Tag::Kind, TagContent>> SewTags::contentOf(const std::string& tag) const {
  auto content = editor_->contentOf(tag);
  if (content) content->second.message = editor_->message(tag);
  return content;
}

/// On the picture as it will be painted, in the strip's pixels.
std::vector<TagSpot> SewTags::spots(const StitchPicture& picture) const {
  const Side outward = picture.isFromBack ? Side::Below : Side::Above;
  const Side inward = picture.isFromBack ? Side::Above : Side::Below;
  const QRectF room = strip_->pictureRoom();
  const QTransform to = stitchRoom(picture, room);
  std::vector<TagSpot> spots;
  const auto hang = [&](const std::string& value, const QPointF& at, Side side) {
    spots.push_back({Subject::value(editor_->tagOf(value)), pointOf(at), side, {}, {}});
  };
  std::size_t shown = 0;
  for (const StripMeasure& measure : measures_) {
    if (!measure.isLine()) continue;
    const QPointF middle = stitchMeasureLine(picture, shown++, room).center();
    hang(measure.value, middle, measure.isAlong() ? outward : Side::Right);
  }
  // Those without a line beside what they shape, on the face that has no lines.
  for (const StripMeasure& measure : measures_)
    if (!measure.isLine())
      hang(measure.value, to.map(stitchPlace(picture, measure.from, Face::Back)), inward);
  const StitchGraph& graph = *picture.graph;
  const std::size_t last = graph.holes.size() - 1,
                    start = std::get<SewnStab>(sewn_->sewn).trail.start;
  hang(kThread, to.map(stitchPlace(picture, last, Face::Back)), inward);
  hang(kNeedle, to.map(stitchPlace(picture, start, Face::Back)), inward);
  return spots;
}

void SewTags::hang(StitchPicture* picture) {
  const Hung now{picture != nullptr, picture != nullptr && picture->isFromBack, strip_->size()};
  if (!isStale_ && hung_ == now) return;
  isStale_ = false;
  hung_ = now;
  PlacedPanel& panel = panels_.front();
  // The rule in hand hangs on the table, not here.
  const auto content = [this](const Subject& subject) {
    return subject.kind == Subject::Kind::Value ? contentOf(subject.id) : std::nullopt;
  };
  if (picture == nullptr) {
    panel.panel.drawing.tags.clear();
    rack_->hang(panels_, content);
    strip_->keepAround({}, {});
    select({});
    return;
  }
  strip_->keepAround({}, {});
  const double bare = stitchRoom(*picture, strip_->pictureRoom()).m11();
  for (const StripMeasure& measure : measures_)
    if (measure.isLine()) picture->measures.push_back(measure);
  panel.area = strip_->rect();
  // How much room they want does not depend on where they hang.
  panel.panel.drawing.tags = spots(*picture);
  rack_->hang(panels_, content);
  strip_->keepAround(rack_->roomAround(panel), {});
  const bool hasRoom = stitchRoom(*picture, strip_->pictureRoom()).m11() > kLeastScale * bare;
  if (!hasRoom) {
    picture->measures.clear();
    panel.panel.drawing.tags.clear();
    rack_->hang(panels_, content);
    strip_->keepAround({}, {});
  }
  if (std::exchange(hangs_, hasRoom) != hasRoom) emit noteChanged();
  if (!hasRoom) return;
  panel.panel.drawing.tags = spots(*picture);
  const QRectF drawn = stitchBounds(*picture, strip_->pictureRoom());
  panel.panel.drawing.window = Box{drawn.left(), drawn.top(), drawn.right(), drawn.bottom()};
  rack_->hang(panels_, content);
  rack_->place(panels_, QRect(), {});
  rack_->setSelected(Subject::value(selected_));
  std::vector<QLineF> leaders;
  for (const HangingTag& hanging : rack_->hanging()) leaders.push_back(hanging.leader());
  strip_->keepAround(rack_->roomAround(panel), std::move(leaders));
}

bool SewTags::isHung(bool isFromBack) const {
  return !isStale_ && hung_ == Hung{true, isFromBack, strip_->size()};
}

QWidget* SewTags::list(QWidget* parent) {
  listed_.clear();
  auto* sheet = new QWidget(parent);
  auto* column = new QVBoxLayout(sheet);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  std::vector<std::string> hung{kThread, kNeedle};
  for (const StripMeasure& measure : measures_) hung.push_back(measure.value);
  if (!hangs_ || measures_.empty()) hung.clear();
  for (const InputRule& input : sewn_->plan()->rules->inputs) {
    const bool isElsewhere =
        isFoundBySewing(input.id) || std::find(hung.begin(), hung.end(), input.id) != hung.end();
    const std::string name = isElsewhere ? std::string() : editor_->tagOf(input.id);
    // One value of the book may stand behind two of the sewing's.
    const bool isListed = std::any_of(listed_.begin(), listed_.end(),
                                      [&](const Listed& each) { return each.tag == name; });
    const auto content = name.empty() || isListed ? std::nullopt : contentOf(name);
    if (!content || content->first == Tag::Kind::Figure) continue;
    auto* tag = new Tag(name, content->first, palette_, sheet);
    tag->setContent(content->second);
    tag->setMinimumHeight(tag->sizeHint().height());
    editor_->serve(tag);
    const NoteContent note = editor_->noteOf(name);
    tag->setToolTip((note.paragraphs + QStringList(note.small)).join("\n"));
    column->addWidget(tag);
    listed_.push_back({name, tag});
  }
  return sheet;
}

void SewTags::renewList() {
  for (const Listed& listed : listed_)
    if (listed.widget != nullptr)
      if (const auto content = contentOf(listed.tag)) listed.widget->setContent(content->second);
}

std::vector<Tag*> SewTags::all() const {
  std::vector<Tag*> tags;
  for (const HangingTag& hanging : rack_->hanging()) tags.push_back(hanging.tag);
  for (const Listed& listed : listed_)
    if (listed.widget != nullptr) tags.push_back(listed.widget);
  return tags;
}

bool SewTags::isTyping() const {
  const auto tags = all();
  return std::any_of(tags.begin(), tags.end(), [](const Tag* tag) { return tag->isTyping(); });
}

void SewTags::stopTyping() {
  for (Tag* tag : all()) tag->stopTyping();
}

void SewTags::keepTyped() {
  for (Tag* tag : all()) tag->keepTyped();
}

Tag* SewTags::tagFor(const std::string& value) const {
  if (sewn_ == nullptr || sewn_->plan() == nullptr) return nullptr;
  const std::string tag = editor_->tagOf(value);
  const auto tags = all();
  const auto found =
      std::find_if(tags.begin(), tags.end(), [&](const Tag* each) { return each->value() == tag; });
  return found != tags.end() ? *found : nullptr;
}

}  // namespace drapery
