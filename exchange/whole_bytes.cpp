#include "exchange/whole_bytes.h"

#include "store/whole_file.h"

namespace drapery {

std::string_view textOf(const QByteArray& bytes) {
  return {bytes.constData(), static_cast<std::size_t>(bytes.size())};
}

std::optional<Issue> writeBytes(const QByteArray& bytes, const std::string& path, bool replaces) {
  return replaces ? writeWhole(path, textOf(bytes)) : writeNew(path, textOf(bytes));
}

std::optional<Issue> writePainted(Painted painted, const std::string& path,
                                  const std::function<bool()>& isCancelled) {
  if (auto* issue = std::get_if<Issue>(&painted)) return std::move(*issue);
  if (isCancelled && isCancelled()) return std::nullopt;
  return writeBytes(std::get<QByteArray>(painted), path, true);
}

}  // namespace drapery
