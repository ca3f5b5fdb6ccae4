#include "app/launch.h"

#include <QApplication>
#include <QBuffer>
#include <QCommandLineParser>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QIcon>
#include <QTimer>
#include <algorithm>
#include <iostream>
#include <optional>

#include "app/cutting/cut_desk.h"
#include "app/main_window.h"
#include "app/plain_labels.h"
#include "app/theme.h"
#include "app/workspace/log.h"
#include "drapery_version.h"
#include "paint/fonts.h"
#include "store/folders.h"
#include "store/whole_file.h"
#include "words/issue_words.h"
#include "words/shown_text.h"

static void initAppResources() { Q_INIT_RESOURCE(app); }

namespace drapery {

namespace {

constexpr int kRefused = 2;

struct Wishes {
  QString job;
  bool demo = false;
  QString screenshot;
  const Stage* stage = &allStages().front();
  std::optional<QSize> size;
  QString select;
  QString units;
  std::optional<double> fontScale;
  QString theme;
  QString caliper;
  QString type, rule;
};

int complain(const QString& text) {
  for (const QString& line : text.split('\n'))
    std::cerr << "drapery: " << shownText(line.toStdString()) << '\n';
  return kRefused;
}

/// The wishes, or what is wrong with one of them.
class ArgumentReader {
 public:
  ArgumentReader() {
    parser_.setApplicationDescription(
        "Sizes every piece of a hand-bound book and tries the case on it.");
    parser_.addHelpOption();
    parser_.addVersionOption();
    parser_.addPositionalArgument("job", "A job file (JSON)");
    parser_.addOptions({{"demo", "Open the Saltmarsh Bindery's first book"},
                        {"screenshot", "Write a picture of the window and end", "file"},
                        {"stage", "The stage to begin at, like case", "stage"},
                        {"size", "Width and height of the window, like 1280x800", "WxH"},
                        {"select", "A figure or piece to ask about, like board_width", "id"},
                        {"type", "What to type over the selected figure", "text"},
                        {"rule", "What to make of the selected figure's rule", "formula"},
                        {"units", "mm or in", "units"},
                        {"font-scale", "0.5 to 3, as far as the window has room", "factor"},
                        {"theme", "light or bench", "theme"},
                        {"caliper", "The port of a serial caliper", "path"}});
  }

  std::optional<Wishes> read(const QStringList& arguments) {
    if (!parser_.parse(arguments)) return fail(parser_.errorText());
    if (parser_.isSet("help")) parser_.showHelp();
    if (parser_.isSet("version")) parser_.showVersion();
    Wishes wishes;
    if (parser_.positionalArguments().size() > 1) return fail("one job at a time");
    wishes.job = parser_.positionalArguments().value(0);
    wishes.demo = parser_.isSet("demo");
    wishes.screenshot = parser_.value("screenshot");
    wishes.select = parser_.value("select");
    wishes.caliper = parser_.value("caliper");
    wishes.type = parser_.value("type");
    wishes.rule = parser_.value("rule");
    if (!readStage(wishes) || !readSize(wishes) || !readLook(wishes)) return std::nullopt;
    return wishes;
  }

 private:
  std::nullopt_t fail(const QString& text) {
    complain(text);
    return std::nullopt;
  }
  bool notAllowed(const char* option, const QString& allowed) {
    fail(QString("--%1 %2 is not allowed; %3").arg(option, parser_.value(option), allowed));
    return false;
  }
  bool readStage(Wishes& wishes) {
    if (!parser_.isSet("stage")) return true;
    wishes.stage = stageNamed(parser_.value("stage"));
    if (wishes.stage != nullptr) return true;
    QStringList ids;
    for (const Stage& stage : allStages()) ids << stage.id;
    return notAllowed("stage", ids.join(", "));
  }
  bool readSize(Wishes& wishes) {
    if (!parser_.isSet("size")) return true;
    const QStringList parts = parser_.value("size").split('x');
    const QSize size(parts.value(0).toInt(), parts.value(1).toInt());
    const bool isSound = parts.size() == 2 && size.width() >= 640 && size.width() <= 8000 &&
                         size.height() >= 480 && size.height() <= 8000;
    if (!isSound) return notAllowed("size", "from 640x480 to 8000x8000");
    wishes.size = size;
    return true;
  }
  bool readLook(Wishes& wishes) {
    wishes.units = parser_.value("units");
    if (!wishes.units.isEmpty() && wishes.units != "mm" && wishes.units != "in")
      return notAllowed("units", "mm or in");
    if (parser_.isSet("font-scale")) {
      bool isNumber = false;
      wishes.fontScale = parser_.value("font-scale").toDouble(&isNumber);
      if (!isNumber ||
          !(*wishes.fontScale >= kSmallestLetters && *wishes.fontScale <= kLargestLetters))
        return notAllowed("font-scale", "0.5 to 3");
      const QSize size = wishes.size.value_or(kUsualWindow);
      const double largest = largestLettersIn(size);
      if (*wishes.fontScale > largest)
        return notAllowed("font-scale", QString("0.5 to %1 in a window of %2x%3")
                                            .arg(largest)
                                            .arg(size.width())
                                            .arg(size.height()));
    }
    wishes.theme = parser_.value("theme");
    if (!wishes.theme.isEmpty() && wishes.theme != "light" && wishes.theme != "bench")
      return notAllowed("theme", "light or bench");
    return true;
  }

  QCommandLineParser parser_;
};

/// The demo is worked on in a copy of the binder's own, so that it can be tried freely.
QString demoJob() {
  const QString folder = QString::fromStdString(dataFolder() + "/demo");
  QDir().mkpath(folder);
  QString first;
  const auto copy = [](const char* name, const QString& path) {
    if (!QFile::exists(path) && QFile::copy(QString(":/demo/") + name, path))
      QFile::setPermissions(
          path, QFile::ReadOwner | QFile::WriteOwner | QFile::ReadGroup | QFile::ReadOther);
  };
  for (const char* name : {"tide-ledger.json", "hive-diary.json", "lantern-log.json",
                           "hive-book-stabbed.json", "estuary-birds.json", "ferry-accounts.json",
                           "seed-list.json", "tide-pocket-book.json", "chart-folder.json"}) {
    const QString path = folder + "/" + name;
    copy(name, path);
    if (first.isEmpty()) first = path;
  }
  copy("lantern.svg", folder + "/lantern.svg");  // on its jacket
  copy("shelf.json", QString::fromStdString(stockFile()));
  return first;
}

/// A piece, or else a value or field of that name.
Subject subjectNamed(const Plan& plan, const std::string& id) {
  if (plan.part(id) != nullptr) return Subject::part(id);
  return plan.rules->find(id) ? Subject::value(id) : Subject::field(id);
}

int photograph(MainWindow& window, Workspace& workspace, const Wishes& wishes) {
  window.show();
  QApplication::processEvents();
  workspace.cutting().settle();
  if (!wishes.select.isEmpty())  // there may have been nothing of that name before
    window.page().select(subjectNamed(workspace.book().plan(), wishes.select.toStdString()));
  if (!wishes.type.isEmpty()) window.page().typeAndKeep(wishes.select.toStdString(), wishes.type);
  if (!wishes.rule.isEmpty()) window.page().changeRule(wishes.rule);
  QApplication::processEvents();
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  const QByteArray format = QFileInfo(wishes.screenshot).suffix().toLatin1();
  if (!window.grab().save(&buffer, format.constData()))
    return complain(wishes.screenshot + ": not a kind of picture; give a name like window.png");
  const auto issue = writeWhole(QFile::encodeName(wishes.screenshot).toStdString(),
                                {bytes.constData(), static_cast<std::size_t>(bytes.size())});
  return issue ? complain(QString::fromStdString(placedWords(*issue, {}))) : 0;
}

/// What the command line says holds for this session alone.
void applyWishes(Settings& settings, const Wishes& wishes) {
  if (!wishes.theme.isEmpty()) settings.setForNow("theme", wishes.theme.toStdString());
  if (!wishes.caliper.isEmpty()) settings.setForNow("caliper", wishes.caliper.toStdString());
  if (wishes.fontScale) settings.setForNow("font_scale", *wishes.fontScale);
}

QSize windowSize(const Settings& settings) {
  return {static_cast<int>(settings.number("window_width")),
          static_cast<int>(settings.number("window_height"))};
}

QString bookToOpen(const Wishes& wishes, const Settings& settings) {
  if (wishes.demo) return demoJob();
  if (!wishes.job.isEmpty() || !wishes.screenshot.isEmpty()) return wishes.job;
  const QString last = QString::fromStdString(settings.text("last_book"));
  return QFile::exists(last) ? last : QString();
}

/// What can wait until the window is seen: an SVG icon costs more than its first paint.
void afterFirstPaint(QApplication& application, Workspace& workspace) {
  application.setWindowIcon(QIcon(":/app/drapery.svg"));
  startLog(stateFolder());
  logNote(std::string("drapery ") + kDraperyVersion);
  workspace.watchRules();
  workspace.removeLeftovers();
  workspace.caliper().use(QString::fromStdString(workspace.settings().text("caliper")));
}

/// That this kind of book has no such stage, and which it has.
QString stagesOf(const MainWindow& window, const Stage& wanted) {
  QStringList ids;
  for (const Stage& stage : allStages())
    if (window.canTurnTo(stage)) ids << stage.id;
  return QString("--stage %1: this kind of book has %2").arg(wanted.id, ids.join(", "));
}

}  // namespace

int launch(QApplication& application) {
  initAppResources();
  ArgumentReader reader;
  const auto wishes = reader.read(QApplication::arguments());
  if (!wishes) return kRefused;
  keepLabelsPlain(application);
  loadFonts();
  Workspace::Places places = Workspace::Places::usual();
  if (!wishes->screenshot.isEmpty()) places.settings.clear();  // a picture is of the usual window
  if (wishes->demo) demoJob();  // its stock is there before it is read
  Workspace workspace(places);
  applyWishes(workspace.settings(), *wishes);
  const QSize size = wishes->size.value_or(windowSize(workspace.settings()));
  // What was set on a larger screen.
  workspace.settings().setForNow(
      "font_scale", std::min(workspace.settings().number("font_scale"), largestLettersIn(size)));
  setFontScale(workspace.settings().number("font_scale"));
  dress(paletteNamed(workspace.settings().text("theme")));
  MainWindow window(workspace);
  const QString job = bookToOpen(*wishes, workspace.settings());
  const bool isOpen = !job.isEmpty() && window.openFile(job);
  if (!job.isEmpty() && !isOpen && !wishes->screenshot.isEmpty())
    return complain(window.banner().text());
  window.resize(size);
  if (window.canTurnTo(*wishes->stage))
    window.setStage(*wishes->stage);
  else if (!wishes->screenshot.isEmpty())
    return complain(stagesOf(window, *wishes->stage));
  window.tellLeftOut();
  // A file that is refused leaves a new book: typing must go somewhere.
  if (isOpen)
    window.page().setFocus();
  else
    window.page().startTyping();
  if (!wishes->units.isEmpty())
    window.document().preview("units", Entry{wishes->units.toStdString(), {}});
  if (!wishes->select.isEmpty() && wishes->screenshot.isEmpty())
    window.page().select(subjectNamed(window.document().plan(), wishes->select.toStdString()));
  if (!wishes->screenshot.isEmpty()) return photograph(window, workspace, *wishes);
  window.show();
  QTimer::singleShot(0, &window, [&] { afterFirstPaint(application, workspace); });
  const int code = QApplication::exec();
  workspace.close();
  return code;
}

}  // namespace drapery
