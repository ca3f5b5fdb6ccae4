#include "store/job_keeper.h"
#include "store/job_repository.h"

namespace drapery {

namespace {

class JsonPlace : public JobPlace {
 public:
  explicit JsonPlace(JobKeeper keeper) : keeper_(std::move(keeper)) {}
  [[nodiscard]] std::string name() const override { return keeper_.path(); }
  std::optional<Issue> write(const Job& job) override { return keeper_.write(writeJob(job)); }
  std::optional<Issue> writeOver(const Job& job) override {
    return keeper_.writeOver(writeJob(job));
  }
  std::optional<Issue> writeTo(const std::string& name, const Job& job) override {
    return keeper_.writeTo(name, writeJob(job));
  }

 private:
  JobKeeper keeper_;
};

class JsonJobs : public JobRepository {
 public:
  explicit JsonJobs(std::string folder) : folder_(std::move(folder)) {}
  std::variant<Found, Issue> open(const std::string& name) override {
    auto kept = JobKeeper::open(name);
    if (auto* issue = std::get_if<Issue>(&kept)) return std::move(*issue);
    auto& keeper = std::get<JobKeeper>(kept);
    JobDocument document = readJob(keeper.text(), name);
    return Found{std::make_unique<JsonPlace>(std::move(keeper)), std::move(document)};
  }
  std::unique_ptr<JobPlace> fresh() override {
    return std::make_unique<JsonPlace>(JobKeeper::fresh(folder_));
  }

 private:
  std::string folder_;
};

}  // namespace

std::unique_ptr<JobRepository> makeJsonJobs(std::string folder) {
  return std::make_unique<JsonJobs>(std::move(folder));
}

}  // namespace drapery
