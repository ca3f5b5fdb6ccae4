// Every sentence of the program can be translated: lupdate (Qt's own) finds it, and what the window
// shows goes through the translator.
#include <gmock/gmock.h>

#include <QTranslator>

#include "tests/app/bench_window.h"
#include "words/issue_words.h"

namespace drapery::test {
namespace {

using ::testing::HasSubstr;
using ::testing::Not;

std::size_t countOf(const std::string& text, const std::string& part) {
  std::size_t count = 0;
  for (std::size_t at = text.find(part); at != std::string::npos; at = text.find(part, at + 1))
    ++count;
  return count;
}

TEST(Translation, lupdateSeesEverySentence) {
  const TemporaryFolder folder;
  const std::string ts = folder.path() + "/drapery_de.ts", root = DRAPERY_SOURCE_DIR;
  std::vector<std::string> command{"/usr/lib/qt6/bin/lupdate", "-I", root, "-locations", "none"};
  for (const char* part : {"/app", "/exchange", "/paint", "/words"}) command.push_back(root + part);
  command.insert(command.end(), {"-ts", ts});
  const Finished done = run(command);
  ASSERT_EQ(done.code, 0) << done.err;
  for (const char* complaint : {"lacks", "without context", "unknown namespace", "Unterminated"})
    EXPECT_THAT(done.out + done.err, Not(HasSubstr(complaint)));
  const std::string all = readFile(ts);
  const std::size_t issues = all.find("<name>Issue</name>");
  const std::string issueContext = all.substr(issues, all.find("</context>", issues) - issues);
  EXPECT_EQ(countOf(issueContext, "<message>"), issueIds().size());
  EXPECT_THAT(all, HasSubstr("<source>The cut slip is in %1.</source>"));
}

/// Marks what it is asked for, so that what is shown unasked stands out.
class Marking : public QTranslator {
 public:
  [[nodiscard]] bool isEmpty() const override { return false; }
  [[nodiscard]] QString translate(const char* context, const char* text, const char*,
                                  int) const override {
    const QString of(context);
    const bool isOurs = of.startsWith("drapery::") || of == "Tag" || of == "Stage" ||
                        of == "Notes" || of == "Table" || of == "WindowWords" || of == "Issue";
    return isOurs ? "«" + QString(text) + "»" : QString();
  }
};

TEST_F(BenchWindow, whatTheWindowSaysGoesThroughTheTranslator) {
  Marking marking;
  QApplication::installTranslator(&marking);
  begin();
  for (const QAbstractButton* button : window_->findChildren<QAbstractButton*>()) {
    if (!button->objectName().startsWith("docket.")) continue;
    EXPECT_TRUE(button->text().startsWith("«")) << button->text().toStdString();
  }
  EXPECT_THAT(notes().toStdString(), HasSubstr("«A new book»"));
  window_->openFile("/nowhere.json");
  EXPECT_TRUE(banner().contains("«Not opened.»")) << banner().toStdString();
  openPlain();
  type("text_width", "x");
  EXPECT_THAT(message("text_width").toStdString(), HasSubstr("«"));
  QApplication::removeTranslator(&marking);
}

}  // namespace
}  // namespace drapery::test
