From now on your studio in Knotty Prism writes to another address, as was asked for with your password.

If it was not you, somebody knows your password. Sign in as long as you can, change it, and sign out everywhere else:

{!! $url !!}
