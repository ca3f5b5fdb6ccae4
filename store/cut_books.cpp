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

Issues gatherBooks(BooksLaidOut& found, const std::string& path,
                   const std::function<BookRead(const std::string&)>& read) {
  Issues issues;
  const auto folder = std::filesystem::path(path).parent_path();
  for (const std::string& name : found.jobs.front()->cutting.with) {
    BookRead book = read((folder / name).lexically_normal().string());
    if (book.issue) {
      issues.push_back(std::move(*book.issue));
      continue;
    }
    found.jobs.push_back(std::move(book.job));
    found.plans.push_back(std::move(book.plan));
  }
  return issues;
}

CutWork cutWorkOf(const BooksLaidOut& found, const Stock& shelf) {
  std::vector<BookToCut> books;
  for (std::size_t i = 0; i < found.jobs.size(); ++i)
    books.push_back({found.jobs[i].get(), found.plans[i].get()});
  return cutWorkOf(books, shelf);
}

}  // namespace drapery
