#include "exchange/whole_bytes.h"

#include "store/whole_file.h"

namespace drapery {

std::optional<Issue> writeBytes(const QByteArray& bytes, const std::string& path, bool replaces) {
  const std::string_view text(bytes.constData(), static_cast<std::size_t>(bytes.size()));
  return replaces ? writeWhole(path, text) : writeNew(path, text);
}

}  // namespace drapery
