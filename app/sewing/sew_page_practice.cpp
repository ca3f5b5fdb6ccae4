#include <QLabel>
#include <QLineEdit>
#include <utility>

#include "app/ink_button.h"
#include "app/sewing/sew_page.h"
#include "app/sewing/sew_tags.h"
#include "app/sewing/strip_view.h"
#include "app/sewing/thread_bar.h"

namespace drapery {

void SewPage::setPractice(bool isOn) {
  isPractice_ = isOn && stab() != nullptr;
  setDrill(std::nullopt);
}

void SewPage::setDrill(std::optional<Drill::Kind> kind) {
  practice_.drill(kind);
  isPictured_ = false;
  writeMargin();
  place();
  showMove();
  if (entry_->isVisible())
    entry_->setFocus();
  else
    setFocus();
}

void SewPage::pressHole(std::size_t hole) {
  if (!isPractice_) return;
  const bool isByKey = strip_->hasHoleFocus();
  practice_.pressHole(hole);
  showPractice();
  if (entry_->isVisible() && !isByKey) entry_->setFocus();
}

void SewPage::pressEdge(Round round) {
  if (!isPractice_ || !practice_.isSewing()) return;
  SewToken token;
  token.kind = SewToken::Kind::Wrap;
  token.round = round;
  practice_.press(token);
  showPractice();
}

void SewPage::drawBack() {
  practice_.drawBack();
  showPractice();
}

void SewPage::readEntry() {
  const QString text = entry_->text();
  entry_->clear();
  entry_->setText(practice_.read(text, notation()));
  showPractice();
}

void SewPage::sayHere() {
  practice_.sayHere();
  showPractice();
}

void SewPage::writeSteps() {
  aside_->setText(shownIn(practice_.steps(), aside_->width(), QFontMetricsF(aside_->font())));
}

void SewPage::showPractice() {
  showPlayer(practice_.isLookingOn() && practice_.toLookAt() > 0);
  entry_->setVisible(!practice_.isLookingOn());
  entry_->setPlaceholderText(practice_.entryAsks());
  words_->setText(practice_.words(notation()));
  writeSteps();
  fitWords();
  thread_->hide();  // it is of the way that is shown
  const std::size_t done = practice_.drawn().size(), present = practice_.present();
  strip_->setAccessibleDescription(words_->text());
  if (std::exchange(isPictured_, true)) {
    strip_->goTo(done, present);
    strip_->offerHoles(practice_.holeNames(), practice_.face());
    return;
  }
  StitchPicture picture = pictureOf(practice_.drawn());
  picture.done = done;
  picture.present = present;
  picture.showsWay = false;
  if (practice_.kind() == Drill::Kind::HowMuch) {  // the whole pattern
    picture.steps = nullptr;
    picture.passes.clear();
  }
  tags_->hang(nullptr);
  strip_->show(picture);
  strip_->offerHoles(practice_.holeNames(), practice_.face());
}

}  // namespace drapery
