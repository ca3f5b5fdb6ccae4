#include "app/workspace/log.h"

#include <spdlog/sinks/rotating_file_sink.h>
#include <spdlog/spdlog.h>

#include <QString>
#include <QtGlobal>
#include <memory>
#include <vector>

#include "words/shown_text.h"

namespace drapery {

namespace {

constexpr std::size_t kLargestFile = 1U << 20U;
constexpr std::size_t kFiles = 2;  // beside the present one

std::shared_ptr<spdlog::logger>& theLog() {
  static std::shared_ptr<spdlog::logger> log;
  return log;
}

/// Lines from before there was a log.
std::vector<std::string>& waiting() {
  static std::vector<std::string> lines;
  return lines;
}

void takeQtMessage(QtMsgType, const QMessageLogContext&, const QString& text) {
  logNote("Qt: " + text.toStdString());
}

}  // namespace

void takeQtMessages() { qInstallMessageHandler(takeQtMessage); }

void startLog(const std::string& folder) {
  try {
    auto sink = std::make_shared<spdlog::sinks::rotating_file_sink_mt>(folder + "/drapery.log",
                                                                       kLargestFile, kFiles);
    theLog() = std::make_shared<spdlog::logger>("drapery", std::move(sink));
    theLog()->set_pattern("%Y-%m-%d %H:%M:%S %v");
    theLog()->flush_on(spdlog::level::info);
  } catch (const spdlog::spdlog_ex&) {
    theLog().reset();
    return;
  }
  for (const std::string& line : waiting()) logNote(line);
  waiting().clear();
}

void logNote(std::string_view text) {
  constexpr std::size_t kMostWaiting = 100;
  if (theLog() == nullptr) {
    if (waiting().size() == kMostWaiting) waiting().erase(waiting().begin());
    waiting().emplace_back(text);
    return;
  }
  const std::string line = shownText(text);
  theLog()->info(spdlog::string_view_t(line));
}

}  // namespace drapery
