// The library's forms, menus and dialogs in the look of a chart room.
import type { ConfigProviderProps } from 'ant-design-vue';

export const theme: ConfigProviderProps['theme'] = {
  token: {
    colorPrimary: '#0B6B6F',
    colorInfo: '#0B6B6F',
    colorError: '#A3281C',
    colorLink: '#0B6B6F',
    colorText: '#14283A',
    colorTextPlaceholder: '#5D6D79',
    colorBgContainer: '#FFFEFA',
    colorBgElevated: '#FFFEFA',
    colorBorder: '#5B6B78',
    fontFamily: "'Atkinson Hyperlegible Next Variable', sans-serif",
    fontSize: 15,
    borderRadius: 5,
    boxShadow: '0 0 0 1px #C5CFD4',
    boxShadowSecondary: '0 0 0 1px #C5CFD4',
    wireframe: false,
  },
};
