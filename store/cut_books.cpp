#include "store/cut_books.h"

#include <filesystem>

#include "core/file/read_file.h"
#include "store/json_node.h"
#include "store/open_job.h"

namespace drapery {

BookRead readBookToCut(const std::string& path, const RuleLibrary& library) {
  const auto text = readWhole(path, kLargestJsonFile);
  if (const auto* issue = std::get_if<Issue>(&text)) return {nullptr, nullptr, *issue};
  OpenedJob opened = openJob(std::get<std::string>(text), path, library);
  if (!opened.document.job && !opened.issues.empty())  // no job at all
    return {nullptr, nullptr, std::move(opened.issues.front())};
  if (!opened.issues.empty() || !opened.document.job)
    return {nullptr, nullptr, Issue{"book-unplanned", {{"path", path}}, {}, {}, {}}};
  return {std::make_shared<const Job>(std::move(*opened.document.job)),
          std::make_shared<const Plan>(std::move(opened.plan)), std::nullopt};
}

Issues gatherBooks(BooksLaidOut& found, const std::string& path, CutElsewhere& elsewhere,
                   const std::function<BookRead(const std::string&)>& read) {
  Issues issues;
  const auto folder = std::filesystem::path(path).parent_path();
  const std::shared_ptr<const Job> first = found.books.front().job;
  found.books.front().beside = elsewhere.of(path, path, *first);
  for (const std::string& name : first->cutting.with) {
    const std::string file = (folder / name).lexically_normal().string();
    BookRead book = read(file);
    if (book.issue) {
      issues.push_back(std::move(*book.issue));
      continue;
    }
    found.books.push_back(
        {std::move(book.job), std::move(book.plan), name, elsewhere.of(file, path, *first)});
  }
  return issues;
}

Issues gatherBooks(BooksLaidOut& found, const std::string& path, const RuleLibrary& library) {
  CutElsewhere elsewhere;
  return gatherBooks(found, path, elsewhere,
                     [&](const std::string& file) { return readBookToCut(file, library); });
}

}  // namespace drapery
