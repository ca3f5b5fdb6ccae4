#include "store/stock_shelf.h"

#include <filesystem>

#include "store/job_keeper.h"
#include "store/stock_json.h"
#include "store/whole_file.h"

namespace drapery {

namespace {

class JsonShelf : public StockShelf {
 public:
  explicit JsonShelf(std::string path) : path_(std::move(path)) {}

  [[nodiscard]] std::string name() const override { return path_; }

  std::variant<Stock, Issues> read() override {
    keeper_.reset();
    std::error_code error;
    if (!std::filesystem::exists(path_, error)) return Stock();
    auto opened = JobKeeper::open(path_);
    if (auto* issue = std::get_if<Issue>(&opened)) return Issues{std::move(*issue)};
    auto read = readStock(std::get<JobKeeper>(opened).text(), path_);
    if (std::holds_alternative<Stock>(read)) keeper_ = std::move(std::get<JobKeeper>(opened));
    return read;
  }

  std::optional<Issue> write(const Stock& stock) override {
    if (keeper_) return keeper_->write(writeStock(stock));
    std::error_code error;
    std::filesystem::create_directories(std::filesystem::path(path_).parent_path(), error);
    return writeNew(path_, writeStock(stock));
  }

 private:
  std::string path_;
  std::optional<JobKeeper> keeper_;  // of what was read; none while there is no file
};

}  // namespace

std::unique_ptr<StockShelf> makeJsonShelf(std::string path) {
  return std::make_unique<JsonShelf>(std::move(path));
}

}  // namespace drapery
