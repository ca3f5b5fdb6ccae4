// Books that are cut together, each with a file of its own: what was cut of one counts wherever it
// is told.
#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <filesystem>

#include "store/cut_books.h"
#include "store/job_file.h"
#include "store/stock_json.h"
#include "tests/support/books.h"
#include "tests/support/command.h"

namespace drapery {
namespace {

constexpr int kBoards = 6;  // of each book

/// Of three copies.
Job bookNamed(const std::string& name) {
  Job job = test::plainJob();
  job.id = job.title = name;
  job.copies = 3.0;
  return job;
}

CutDone boardsOf(const std::string& book, int count, bool isMockUp = false) {
  CutDone done;
  done.stock = "grey board 700 x 1000";
  done.book = book;
  done.pieces = {{"board", count}};
  done.isMockUp = isMockUp;
  return done;
}

/// How many boards are still to be cut of each book, by its title, when that file is open.
class Bindery {
 public:
  const test::TemporaryFolder folder;

  void write(const Job& job) const { folder.write(job.id + ".json", writeJob(job)); }
  std::map<std::string, int> boardsWanted(const std::string& name) {
    const std::string path = folder.path() + "/" + name + ".json";
    const BookRead first = readBookToCut(path, library_);
    BooksLaidOut found;
    found.books = {{first.job, first.plan}};
    const Issues issues = gatherBooks(found, path, elsewhere_, [&](const std::string& file) {
      return readBookToCut(file, library_);
    });
    EXPECT_TRUE(issues.empty());
    std::map<std::string, int> wanted;
    for (const BookToCut& book : found.books) wanted[book.job->title] = 0;
    const CutWork work = cutWorkOf(found.books, shelf_, *makeCatalogue());
    otherwise = work.otherwise;
    for (std::size_t i = 0; i < work.pieces.size(); ++i)
      if (work.pieces[i].part->rule->id == "board")
        wanted[found.books[work.pieces[i].book].job->title] = work.problem.pieces[i].count;
    return wanted;
  }
  std::vector<CutOtherwise> otherwise;  // the last time

 private:
  RuleLibrary library_;
  CutElsewhere elsewhere_;  // as a window keeps it
  Stock shelf_ =
      std::get<Stock>(readStock(test::projectFile("demo/stock/shelf.json"), "shelf.json"));
};

RC_GTEST_PROP(CutBooks, countWhatWasCutWhoeverTellsIt, ()) {
  Bindery bindery;
  const std::vector<std::string> names{"dunlin", "knot", "plover"};
  std::map<std::string, Job> jobs;
  for (const std::string& name : names) jobs[name] = bookNamed(name);
  std::map<std::string, int> cut;
  // Twice: what was told before is written anew.
  for (int round = 0; round < 2; ++round) {
    for (const std::string& open : names) {
      JobCutting& cutting = jobs[open].cutting;
      cutting.with.clear();
      for (const std::string& of : names) {
        if (of != open && *rc::gen::arbitrary<bool>()) cutting.with.push_back(of + ".json");
        const int count = *rc::gen::inRange(0, 3);
        const bool isMockUp = *rc::gen::weightedElement<bool>({{3, false}, {1, true}});
        if (count == 0) continue;
        cutting.done.push_back(boardsOf(of == open ? "" : of + ".json", count, isMockUp));
        if (!isMockUp) cut[of] += count;
      }
      bindery.write(jobs[open]);
    }
    for (const std::string& open : names) {
      const auto wanted = bindery.boardsWanted(open);
      RC_ASSERT(wanted.size() == 1 + jobs[open].cutting.with.size());
      for (const auto& [title, count] : wanted)
        RC_ASSERT(count == std::max(0, kBoards - cut[title]));
    }
  }
}

// A file that was only copied tells the same again; one that is no job tells nothing; a book may
// be called otherwise since.
TEST(CutBooks, countNothingTwice) {
  Bindery bindery;
  Job knot = bookNamed("knot");
  Job plover = bookNamed("plover");
  plover.cutting.with = {"knot.json"};
  plover.cutting.done = {boardsOf("knot.json", 2), boardsOf("", 1)};
  plover.cutting.done[0].sizes["board"] = {10, 20};
  bindery.write(knot);
  bindery.write(plover);
  bindery.folder.write("plover copied.json", writeJob(plover));
  bindery.folder.write("broken.json", R"({"schema": "drapery-job/1", "done": "book", )");
  bindery.folder.write("foreign.json", R"({"done": "book"})");
  std::filesystem::create_directory(bindery.folder.path() + "/folder.json");
  using Wanted = std::map<std::string, int>;
  EXPECT_EQ(bindery.boardsWanted("knot"), (Wanted{{"knot", kBoards - 2}}));
  ASSERT_EQ(bindery.otherwise.size(), 1U);  // what has another size since is told here, too
  EXPECT_EQ(bindery.otherwise[0].done, knot.cutting.done.size());
  EXPECT_EQ(bindery.boardsWanted("plover"),
            (Wanted{{"knot", kBoards - 2}, {"plover", kBoards - 1}}));
  EXPECT_EQ(bindery.boardsWanted("plover copied"), bindery.boardsWanted("plover"));
  knot.title = "Knot, second state";
  bindery.write(knot);
  EXPECT_EQ(bindery.boardsWanted("plover").at(knot.title), kBoards - 2);
  // All of it was spoilt.
  plover.cutting.done[0].spoilt = plover.cutting.done[0].pieces;
  plover.cutting.done[0].pieces.clear();
  bindery.write(plover);
  std::filesystem::remove(bindery.folder.path() + "/plover copied.json");
  EXPECT_EQ(bindery.boardsWanted("knot"), (Wanted{{knot.title, kBoards}}));
}

}  // namespace
}  // namespace drapery
