#include "app/display/screen_property.h"

#include <QGuiApplication>
#include <cstdlib>
#include <cstring>
#include <memory>
#include <string>
#include <xcb/xcb.h>

namespace amber {
namespace {

constexpr int kScreens = 16;
constexpr std::uint32_t kMostWords = (32u << 20) / 4;

template <class T>
std::unique_ptr<T, decltype(&std::free)> owned(T* reply)
{
    return {reply, &std::free};
}

xcb_connection_t* connection()
{
    const auto* x11 = qGuiApp->nativeInterface<QNativeInterface::QX11Application>();
    return x11 ? x11->connection() : nullptr;
}

std::string nameOf(int screen) { return screen == 0 ? "_ICC_PROFILE" : "_ICC_PROFILE_" + std::to_string(screen); }

xcb_atom_t atomOf(xcb_connection_t* c, const std::string& name)
{
    const auto reply = owned(xcb_intern_atom_reply(
        c, xcb_intern_atom(c, 0, static_cast<std::uint16_t>(name.size()), name.c_str()), nullptr));
    return reply ? reply->atom : static_cast<xcb_atom_t>(XCB_ATOM_NONE);
}

xcb_window_t rootOf(xcb_connection_t* c) { return xcb_setup_roots_iterator(xcb_get_setup(c)).data->root; }

}  // namespace

std::vector<std::uint8_t> screenProperty(int screen)
{
    xcb_connection_t* c = connection();
    if (!c || screen < 0 || screen >= kScreens)
        return {};
    const auto reply = owned(xcb_get_property_reply(
        c, xcb_get_property(c, 0, rootOf(c), atomOf(c, nameOf(screen)), XCB_GET_PROPERTY_TYPE_ANY, 0, kMostWords),
        nullptr));
    if (!reply || reply->format != 8)
        return {};
    const auto* bytes = static_cast<const std::uint8_t*>(xcb_get_property_value(reply.get()));
    return {bytes, bytes + xcb_get_property_value_length(reply.get())};
}

ScreenPropertyWatch::ScreenPropertyWatch(std::function<void()> act) : m_act(std::move(act))
{
    if (xcb_connection_t* c = connection()) {
        // What else the window system listens to there goes on.
        const auto now = owned(xcb_get_window_attributes_reply(c, xcb_get_window_attributes(c, rootOf(c)), nullptr));
        const std::uint32_t mask = (now ? now->your_event_mask : 0) | XCB_EVENT_MASK_PROPERTY_CHANGE;
        xcb_change_window_attributes(c, rootOf(c), XCB_CW_EVENT_MASK, &mask);
        xcb_flush(c);
        qGuiApp->installNativeEventFilter(this);
    }
}

ScreenPropertyWatch::~ScreenPropertyWatch() = default;

bool ScreenPropertyWatch::nativeEventFilter(const QByteArray& type, void* message, qintptr*)
{
    if (type != "xcb_generic_event_t")
        return false;
    const auto* event = static_cast<const xcb_generic_event_t*>(message);
    if ((event->response_type & 0x7f) != XCB_PROPERTY_NOTIFY)
        return false;
    const auto* property = static_cast<const xcb_property_notify_event_t*>(message);
    xcb_connection_t* c = connection();
    if (!c || property->window != rootOf(c))
        return false;
    const auto name = owned(xcb_get_atom_name_reply(c, xcb_get_atom_name(c, property->atom), nullptr));
    if (name && std::string(xcb_get_atom_name_name(name.get()),
                            static_cast<std::size_t>(xcb_get_atom_name_name_length(name.get())))
                        .rfind("_ICC_PROFILE", 0) == 0)
        m_act();
    return false;
}

}  // namespace amber
